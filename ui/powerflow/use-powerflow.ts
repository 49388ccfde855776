'use client';
import { useCallback, useMemo, useState } from 'react';
import { faultKey, solveGear, turbineTorque } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { elementOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import type { Device } from '@/ui/strip';

export interface Powerflow {
  gear: string;
  setGear: (key: string) => void;
  step: (by: 1 | -1) => void;
  /** What is wrong in the unit shown: what was tried, else what is suspected. */
  faults: Fault[];
  /** Somebody touched it: `faults` are theirs. */
  tried: boolean;
  /** Takes an element round: lost, stuck, slipping, whole; strips a gearset or makes it whole. */
  touch: (device: Device) => void;
  /** Breaks a part of a power path, or makes it whole. */
  breakPart: (part: string) => void;
  set: (fault: Fault) => void;
  remove: (fault: Fault) => void;
  clear: () => void;
}

/** A gear to look at and faults to try, over those that are suspected. */
export function usePowerflow(unit: UnitDefinition, suspected: Fault[]): Powerflow {
  const [gear, setGear] = useState(unit.gears.find((g) => g.gear === 1)?.key ?? unit.gears[0]!.key);
  const [own, setOwn] = useState<Fault[] | null>(null);
  const faults = own ?? suspected;
  const step = useCallback(
    (by: 1 | -1) =>
      setGear((now) => {
        const at = unit.gears.findIndex((g) => g.key === now);
        return unit.gears[(at + by + unit.gears.length) % unit.gears.length]!.key;
      }),
    [unit],
  );
  const touch = useCallback(
    (device: Device) => {
      if (device.kind === 'element') setOwn((now) => cycled(unit, now ?? [], device.id));
      if (device.kind === 'gearset')
        setOwn((now) => toggled(now ?? [], { kind: 'strip', gearset: device.id }));
    },
    [unit],
  );
  const breakPart = useCallback(
    (part: string) => setOwn((now) => toggled(now ?? [], { kind: 'break', part })),
    [],
  );
  const set = useCallback((fault: Fault) => setOwn((now) => [...without(now ?? [], fault), fault]), []);
  const remove = useCallback((fault: Fault) => setOwn((now) => without(now ?? [], fault)), []);
  const clear = useCallback(() => setOwn(null), []);
  return useMemo(
    () => ({ gear, setGear, step, faults, tried: own !== null, touch, breakPart, set, remove, clear }),
    [gear, step, faults, own, touch, breakPart, set, remove, clear],
  );
}

/** Faults without those of the same element, part or gearset. */
function without(faults: Fault[], fault: Fault): Fault[] {
  const about = (f: Fault) => ('element' in f ? `element ${f.element}` : faultKey(f));
  return faults.filter((f) => about(f) !== about(fault));
}

function toggled(faults: Fault[], fault: Fault): Fault[] {
  const rest = without(faults, fault);
  return rest.length < faults.length ? rest : [...rest, fault];
}

function cycled(unit: UnitDefinition, faults: Fault[], element: string): Fault[] {
  const now = faults.find((f) => 'element' in f && f.element === element);
  const rest = without(faults, { kind: 'lost', element });
  if (!now) return [...rest, { kind: 'lost', element }];
  if (now.kind === 'lost') return [...rest, { kind: 'stuck', element }];
  const { pack, band } = elementOf(unit, element);
  if (now.kind === 'stuck' && (pack || band))
    return [...rest, { kind: 'slip', element, capacityNm: halfLoad(unit, element) }];
  return rest;
}

/** Half of what the hardest gear asks of an element, N·m: it slips there and may hold elsewhere. */
export function halfLoad(unit: UnitDefinition, element: string): number {
  const loads = unit.gears.map(
    (g) => (solveGear(unit, g.key).elements[element] ?? 0) * turbineTorque(unit, g),
  );
  return Math.round(Math.max(...loads) / 2);
}
