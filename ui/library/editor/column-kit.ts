import type { UnitDefinition } from '@/core/unit';
import type { Column } from './rows';

/* What the columns of all lists are made from. */

export type Options = (unit: UnitDefinition) => { value: string; label: string }[];

export const named =
  (list: (unit: UnitDefinition) => { id: string; name: string }[], none?: string): Options =>
  (unit) => [
    ...(none ? [{ value: '', label: none }] : []),
    ...list(unit).map(({ id, name }) => ({ value: id, label: name })),
  ];
export const fixed =
  (...values: string[]): Options =>
  () =>
    values.map((value) => ({ value, label: value.replaceAll('-', ' ') }));
export const stations = named((u) => u.stations);
export const parts = named((u) => u.parts);
export const partOrNone = named((u) => u.parts, 'none');
export const members: Options = (unit) => [
  ...named((u) => u.members)(unit),
  { value: 'case', label: 'Case' },
];
export const lines = (list: string[]) => list.join('\n');
export const fromLines = (text: string) =>
  text
    .split('\n')
    .map((l) => l.trim())
    .filter(Boolean);
/** A field that is left out when it is empty. */
export const orNone = <T, K extends keyof T>(row: T, key: K, value: T[K] | undefined | ''): T => {
  const copy = { ...row };
  if (value === undefined || value === '') delete copy[key];
  else copy[key] = value;
  return copy;
};
export const name = <T extends { name: string }>(): Column<T> => ({
  label: 'Name',
  kind: 'text',
  read: (row) => row.name,
  write: (row, text) => ({ ...row, name: text || row.name }),
});
export const station = <T extends { station: string }>(): Column<T> => ({
  label: 'Station',
  kind: 'choice',
  options: stations,
  read: (row) => row.station,
  write: (row, value) => ({ ...row, station: value }),
});

/** Sizes a part or plate is sold in, m; typed in mm with commas between. What is no size is left out. */
export const sizesText = (sizes: readonly number[]) =>
  sizes.map((s) => String(Number((s * 1e3).toFixed(4)))).join(', ');
export const fromSizes = (text: string): number[] =>
  [...new Set(text.split(/[\s,;]+/).map(Number))]
    .filter((mm) => mm > 0 && mm < 1000)
    .sort((a, b) => a - b)
    .map((mm) => Number((mm / 1e3).toPrecision(9)));
