import { below, complaintsOf, valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import { fact } from './types';
import type { Fact } from './types';

/** What the record says beside its findings: history, repairs, codes, and what the complaint says as a whole. */
export function recordFacts(state: JobState): Fact[] {
  return READERS.flatMap((read) => read(state));
}

type Reader = (state: JobState) => Fact[];

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

/** A part renewed before the job came here: if that cured nothing, the old one was hardly to blame. */
const repairs: Reader = (state) =>
  below(state, 'history.repair.').flatMap(([id, { part, effect }]) =>
    part && effect ? [fact(`replaced:${part}`, effect, `history.repair.${id}`)] : [],
  );

/** Several gears that stop pulling when hot: what the gears share, their pressure, goes. */
const fading: Reader = (state) => {
  const gone = complaintsOf(state).filter(
    ({ cell, heat }) => heat === 'hot' && cell.behaviours.some((b) => b === 'no-drive' || b === 'slips'),
  );
  const gears = new Set(gone.map((c) => c.gear));
  return gears.size >= 3 ? [fact('fades-hot', 'yes', ...new Set(gone.map((c) => c.slot)))] : [];
};

/** The complaint comes hot and not cold. */
const onlyHot: Reader = (state) => {
  const hot = complaintsOf(state).filter(
    ({ cell, heat }) => heat === 'hot' && !cell.behaviours.includes('normal'),
  );
  return hot.length ? [fact('only-hot', 'yes', ...new Set(hot.map((c) => c.slot)))] : [];
};

const codes: Reader = (state) => {
  const scan = valueOf(state, 'codes.scan');
  if (scan === undefined || scan === 'not-scanned') return [];
  if (scan === 'none') return [fact('codes', 'none', 'codes.scan')];
  const kinds = below(state, 'codes.list.');
  if (kinds.length === 0) return [];
  const electrical = kinds.some(([, c]) => c.kind === 'electrical');
  return [
    fact('codes', electrical ? 'electrical' : 'rationality', ...kinds.map(([code]) => `codes.list.${code}`)),
  ];
};

const READERS: readonly Reader[] = [
  direct('history.converter', 'history-converter'),
  direct('history.towing', 'history-towing'),
  direct('history.fluid', 'history-fluid'),
  direct('history.tyres', 'history-tyres'),
  direct('history.mud', 'history-mud'),
  direct('history.parkRolling', 'history-park'),
  power,
  rebuilt,
  repairs,
  fading,
  onlyHot,
  codes,
];
