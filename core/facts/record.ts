import { below, complaintsOf, valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { fact } from './types';
import type { Fact } from './types';

/** What the record says beside its findings: history, repairs, codes, and what the complaint says as a whole. */
export function recordFacts(unit: UnitDefinition, state: JobState): Fact[] {
  return READERS.flatMap((read) => read(state, unit));
}

type Reader = (state: JobState, unit: UnitDefinition) => Fact[];

/** A slot that is a fact as it stands. */
type DirectSlot = `history.${'converter' | 'towing' | 'fluid' | 'tyres' | 'mud' | 'parkRolling'}`;
const direct =
  (slot: DirectSlot, point: string): Reader =>
  (state) => {
    const value = valueOf(state, slot);
    return value === undefined || value === 'unknown' ? [] : [fact(point, value, slot)];
  };

/** Engine torque above this share of stock counts as raised. */
const RAISED = 1.15;

const power: Reader = (state) => {
  const factor = valueOf(state, 'history.powerFactor');
  return factor === undefined
    ? []
    : [fact('history-power', factor > RAISED ? 'raised' : 'stock', 'history.powerFactor')];
};

/** A rebuild within this many months counts as recent: what was set up wrong then shows early. */
const RECENT = 24;

const rebuilt: Reader = (state) => {
  const value = valueOf(state, 'history.rebuilt');
  if (value === undefined || value.by === 'unknown') return [];
  const level = value.by === 'never' ? 'never' : (value.monthsAgo ?? 0) <= RECENT ? 'recent' : 'long-ago';
  return [fact('history-rebuilt', level, 'history.rebuilt')];
};

/** Distance a lining commonly lasts at the least, and at the most, km. */
const LASTS = { least: 80_000, most: 220_000 };

/** How far the unit has run: what wears by use alone is seldom worn out early. A rebuild begins the count anew. */
const distance: Reader = (state) => {
  const km = valueOf(state, 'vehicle.odometerKm');
  if (km === undefined || (valueOf(state, 'history.rebuilt')?.by ?? 'never') !== 'never') return [];
  const level = km < LASTS.least ? 'short' : km < LASTS.most ? 'middle' : 'long';
  return [fact('history-distance', level, 'vehicle.odometerKm')];
};

/** A part renewed before the job came here: if that cured nothing, the old one was hardly to blame. */
const repairs: Reader = (state) =>
  below(state, 'history.repair.').flatMap(([id, { part, effect }]) =>
    part && effect ? [fact(`replaced:${part}`, effect, `history.repair.${id}`)] : [],
  );

/** The complaint comes hot and not cold. */
const onlyHot: Reader = (state) => {
  const hot = complaintsOf(state).filter(
    ({ cell, heat }) => heat === 'hot' && !cell.behaviours.includes('normal'),
  );
  return hot.length ? [fact('only-hot', 'yes', ...new Set(hot.map((c) => c.slot)))] : [];
};

/** Public numbers of the shift solenoids' codes: five to each, the first solenoid at 0750. */
const SHIFT_CODES = { from: 750, each: 5, letters: 6 };

/** The shift solenoid a public code is about, or null. */
function solenoidOf(unit: UnitDefinition, code: string): string | null {
  const number = /^P0(\d{3})$/.exec(code)?.[1];
  const place =
    number === undefined ? -1 : Math.floor((Number(number) - SHIFT_CODES.from) / SHIFT_CODES.each);
  if (place < 0 || place >= SHIFT_CODES.letters) return null;
  const own = unit.solenoids.filter((s) => s.role === 'shift');
  return (own.find((s) => s.shiftIndex === place) ?? own[place])?.id ?? null;
}

/** A code that names a solenoid: of its coil, or of a shift that was not seen, which many other things may be. */
const solenoidCodes: Reader = (state, unit) =>
  below(state, 'codes.list.').flatMap(([code, { kind, cleared }]) => {
    const solenoid = cleared ? null : solenoidOf(unit, code);
    return solenoid
      ? [
          fact(
            `${kind === 'electrical' ? 'code-coil' : 'code-shift'}:${solenoid}`,
            'yes',
            `codes.list.${code}`,
          ),
        ]
      : [];
  });

const codes: Reader = (state, unit) => {
  const scan = valueOf(state, 'codes.scan');
  if (scan === undefined || scan === 'not-scanned') return [];
  if (scan === 'none') return [fact('codes', 'none', 'codes.scan')];
  // What names a solenoid speaks of that one only.
  const kinds = below(state, 'codes.list.').filter(([code]) => solenoidOf(unit, code) === null);
  if (kinds.length === 0) return [];
  const electrical = kinds.some(([, c]) => c.kind === 'electrical');
  return [
    fact('codes', electrical ? 'electrical' : 'rationality', ...kinds.map(([code]) => `codes.list.${code}`)),
  ];
};

/** Each code that stands, by its number: what a number means is stated in the derived facts. */
const codeNumbers: Reader = (state) =>
  below(state, 'codes.list.').flatMap(([code, { cleared }]) =>
    cleared ? [] : [fact(`code.${code}`, 'yes', `codes.list.${code}`)],
  );

const READERS: readonly Reader[] = [
  direct('history.converter', 'history-converter'),
  direct('history.towing', 'history-towing'),
  direct('history.fluid', 'history-fluid'),
  direct('history.tyres', 'history-tyres'),
  direct('history.mud', 'history-mud'),
  direct('history.parkRolling', 'history-park'),
  power,
  rebuilt,
  distance,
  repairs,
  onlyHot,
  codes,
  solenoidCodes,
  codeNumbers,
];
