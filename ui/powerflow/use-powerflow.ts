'use client';
import { useCallback, useMemo, useState } from 'react';
import type { Fault } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import type { Device } from '@/ui/section';
import { cycled, toggled, without } from './fault-list';

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
