'use client';
import { useEffect, useReducer, useRef, useState } from 'react';
import styled from 'styled-components';
import { Dialog } from './dialog';

/** A key (`/`, `?`, `ctrl+z`), what it does in words, and the doing. */
export interface Shortcut {
  key: string;
  words: string;
  run?: () => void;
}

const Sheet = styled.dl`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 10px 18px;
  align-items: center;
  kbd {
    display: inline-block;
    min-width: 36px;
    padding: 4px 10px;
    border: 1.5px solid var(--rule-strong);
    border-bottom-width: 3px;
    border-radius: 3px;
    background: var(--inset);
    font: inherit;
    font-weight: 650;
    text-align: center;
  }
`;

/** What every part of the page listens for; the first to come shows the sheet of them all. */
const parts: { current: Shortcut[] }[] = [];
/** Told when a part comes or goes: the sheet may be opened before all of the page is there. */
const watching = new Set<() => void>();
const COMMON: Shortcut[] = [
  { key: '?', words: 'This sheet' },
  { key: 'Esc', words: 'Put a dialog away' },
];

/** Listens for the shortcuts of a part of the page, never while somebody types; `?` shows those of all parts. */
export function Shortcuts({ list }: { list: Shortcut[] }) {
  const [shown, setShown] = useState(false);
  const [, redraw] = useReducer((n: number) => n + 1, 0);
  const latest = useRef(list);
  useEffect(() => {
    latest.current = list;
  });
  useEffect(() => {
    parts.push(latest);
    watching.forEach((tell) => tell());
    const onKey = (event: KeyboardEvent) => {
      const at = event.target as HTMLElement;
      if (at.closest('input, textarea, select, [role=dialog]') || event.altKey) return;
      const key = `${event.ctrlKey || event.metaKey ? 'ctrl+' : ''}${event.key}`;
      const found = latest.current.find((s) => s.key === key && s.run);
      if (found) {
        event.preventDefault();
        found.run!();
      } else if (key === '?' && parts[0] === latest) {
        event.preventDefault();
        setShown(true);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => {
      parts.splice(parts.indexOf(latest), 1);
      watching.forEach((tell) => tell());
      window.removeEventListener('keydown', onKey);
    };
  }, []);
  useEffect(() => {
    if (!shown) return;
    watching.add(redraw);
    return () => void watching.delete(redraw);
  }, [shown]);
  return (
    <Dialog title="Keys" isOpen={shown} onClose={() => setShown(false)}>
      {shown && (
        <Sheet>
          {[...parts.flatMap((part) => part.current), ...COMMON].map(({ key, words }) => [
            <dt key={key}>
              <kbd>
                {key.replace('ctrl+', 'Ctrl ').replace(/ (\w)$/, (_, k: string) => ` ${k.toUpperCase()}`)}
              </kbd>
            </dt>,
            <dd key={`${key} words`}>{words}</dd>,
          ])}
        </Sheet>
      )}
    </Dialog>
  );
}
