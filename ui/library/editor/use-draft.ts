'use client';
import { useCallback, useEffect, useRef, useState } from 'react';
import type { UnitDefinition } from '@/core/unit';

export type Change = (next: (unit: UnitDefinition) => UnitDefinition) => void;

/** A definition in the making, held in the browser's own storage until it is saved: a reload or a crash loses nothing. */
export function useDraft(keep: string, initial: () => UnitDefinition) {
  const [kept] = useState(() => read(keep));
  const [unit, setUnit] = useState(() => kept ?? initial());
  const [resumed, setResumed] = useState(kept !== null);
  const past = useRef<UnitDefinition[]>([]);
  const [steps, setSteps] = useState(0);
  const dirty = useRef(kept !== null);
  useEffect(() => {
    if (dirty.current) hold(keep, unit);
  }, [keep, unit]);
  const change = useCallback<Change>((next) => {
    dirty.current = true;
    setUnit((now) => {
      const made = next(now);
      // React may call this twice to find impure code: the same step is kept once.
      if (past.current.at(-1) !== now) past.current.push(now);
      return made;
    });
    setSteps((n) => n + 1);
  }, []);
  const undo = useCallback(() => {
    const before = past.current.pop();
    if (!before) return;
    setUnit(before);
    setSteps((n) => n + 1);
  }, []);
  const forget = useCallback(() => {
    dirty.current = false;
    localStorage.removeItem(keep);
  }, [keep]);
  const startOver = useCallback(() => {
    forget();
    past.current = [];
    setUnit(initial());
    setResumed(false);
  }, [forget, initial]);
  return { unit, change, undo, canUndo: steps > 0 && past.current.length > 0, resumed, startOver, forget };
}

function read(keep: string): UnitDefinition | null {
  try {
    return JSON.parse(localStorage.getItem(keep) ?? 'null');
  } catch {
    return null;
  }
}

/** A full or forbidden storage must not stop anybody from working. */
function hold(keep: string, unit: UnitDefinition): void {
  try {
    localStorage.setItem(keep, JSON.stringify(unit));
  } catch {
    // What is on the page still stands and can be saved.
  }
}
