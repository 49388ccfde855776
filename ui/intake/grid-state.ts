import { HEATS } from '@/core/case';
import type { Behaviour, GridCell, GridGear, Heat, Json, Noise, Speaker } from '@/core/case';

/** Whose word is written, and of which heat. */
export interface Voice {
  speaker: Speaker;
  heat: Heat;
}

/** A cell with nothing said. */
const EMPTY: GridCell = { behaviours: [] };

/** A gear's value with one of its heats changed; null when nothing is left of it. */
export function changed(gear: GridGear | undefined, heat: Heat, change: (cell: GridCell) => GridCell): Json {
  const next = change(gear?.[heat] ?? EMPTY);
  const said = next.behaviours.length > 0 || (next.noises?.length ?? 0) > 0;
  const rest = HEATS.flatMap((h): [Heat, GridCell][] => {
    const cell = h === heat ? (said ? next : undefined) : gear?.[h];
    return cell ? [[h, cell]] : [];
  });
  return rest.length ? (Object.fromEntries(rest) as Json) : null;
}

/** A gear is normal or something else, never both. */
export function withBehaviour(cell: GridCell, behaviour: Behaviour): GridCell {
  const has = cell.behaviours.includes(behaviour);
  const rest = cell.behaviours.filter(
    (b) => b !== behaviour && (behaviour === 'normal') === (b === 'normal'),
  );
  const behaviours = has ? rest : [...rest, behaviour].slice(-6);
  const { delayS, ...without } = cell;
  // A delay is timed only where one is told.
  return behaviours.includes('delayed') && delayS !== undefined
    ? { ...without, behaviours, delayS }
    : { ...without, behaviours };
}

/** Gears pull as they should and whine, or slip and are silent: noise stands by itself. */
export function withNoise(cell: GridCell, noise: Noise | null): GridCell {
  const { noises: _, ...rest } = cell;
  return noise ? { ...rest, noises: [noise] } : rest;
}
