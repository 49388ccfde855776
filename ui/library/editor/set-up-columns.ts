import type { Pack, PackSetUp } from '@/core/unit';
import { fromSizes, orNone, sizesText } from './column-kit';
import type { Column } from './rows';

type Length = Exclude<
  {
    [K in keyof PackSetUp]-?: NonNullable<PackSetUp[K]> extends number ? K : never;
  }[keyof PackSetUp],
  never
>;

const needed = (label: string, key: Length): Column<PackSetUp> => ({
  label,
  kind: 'number',
  unit: 'mm',
  scale: 1000,
  min: 0.01,
  max: 500,
  read: (s) => s[key],
  write: (s, v) => (v ? { ...s, [key]: v } : s),
});
const optional = (label: string, key: 'backingThickness' | 'waveHeight'): Column<PackSetUp> => ({
  label,
  kind: 'number',
  unit: 'mm',
  scale: 1000,
  max: 500,
  read: (s) => s[key],
  write: (s, v) => orNone(s, key, v || undefined),
});
const sizes = (label: string, key: 'frictionSizes' | 'steelSizes'): Column<PackSetUp> => ({
  label,
  kind: 'text',
  read: (s) => sizesText(s[key]),
  write: (s, text) => {
    const list = fromSizes(text);
    return list.length ? { ...s, [key]: list } : s;
  },
});

/** What a pack is stacked and measured by. */
export const SET_UP: Column<PackSetUp>[] = [
  needed('Groove to piston', 'grooveToPiston'),
  {
    label: 'Measured from the groove’s',
    kind: 'choice',
    options: () => [
      { value: 'lower', label: 'lower face' },
      { value: 'upper', label: 'upper face: less the ring' },
    ],
    read: (s) => s.grooveFace,
    write: (s, v) => ({ ...s, grooveFace: v as PackSetUp['grooveFace'] }),
  },
  needed('Snap ring', 'ringThickness'),
  optional('Backing plate', 'backingThickness'),
  optional('Wave spring', 'waveHeight'),
  needed('Piston height', 'pistonHeight'),
  needed('Piston, lowest', 'pistonLowest'),
  needed('Hub length', 'hubLength'),
  needed('Drum splines', 'drumLength'),
  sizes('Frictions sold, mm', 'frictionSizes'),
  sizes('Steels sold, mm', 'steelSizes'),
];

const worn = (label: string, key: 'friction' | 'steel'): Column<Pack> => ({
  label,
  kind: 'number',
  unit: 'mm',
  scale: 1000,
  max: 50,
  read: (p) => p.worn?.[key],
  write: (p, v) => {
    const next = orNone(p.worn ?? {}, key, v || undefined);
    return orNone(p, 'worn', Object.keys(next).length ? next : undefined);
  },
});

/** Thinner than this a plate is worn out. */
export const WORN: Column<Pack>[] = [
  worn('Frictions worn out under', 'friction'),
  worn('Steels worn out under', 'steel'),
];

/** Figures to begin with, from what the pack has already: each is to be measured and put right. */
export function firstSetUp(pack: Pack): PackSetUp {
  const stack = pack.order.reduce(
    (sum, plate) =>
      sum + (plate === 'friction' ? pack.frictionThickness : plate === 'steel' ? pack.steelThickness : 0.004),
    0,
  );
  const groove = stack + (pack.clearance.min + pack.clearance.max) / 2;
  const round = (m: number) => Number(m.toFixed(5));
  return {
    grooveToPiston: round(groove),
    grooveFace: 'lower',
    ringThickness: 0.0016,
    ...(pack.order.includes('backing') ? { backingThickness: 0.004 } : {}),
    ...(pack.order.includes('wave') ? { waveHeight: 0.004 } : {}),
    pistonHeight: 0.012,
    pistonLowest: 0.011,
    hubLength: round(groove),
    drumLength: round(groove),
    frictionSizes: [pack.frictionThickness],
    steelSizes: [pack.steelThickness],
  };
}
