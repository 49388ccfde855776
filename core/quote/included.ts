import type { Scope, ScopeLine } from '@/core/scope';
import { isBought } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import type { Included } from './schema';

/** Sorts of parts by their kinds; a kind that is nowhere is a hard part. */
const GROUPS: { group: string; kinds: string[] }[] = [
  { group: 'Linings and plates', kinds: ['friction-plates', 'steel-plates', 'band-lining'] },
  {
    group: 'Seals, gaskets and rings',
    kinds: ['seal', 'sealing-ring', 'gasket', 'o-ring', 'shaft-seal', 'sealant', 'retaining-ring'],
  },
  {
    group: 'Bushings, bearings and washers',
    kinds: ['bushing', 'thrust-bearing', 'thrust-washer', 'bearing', 'needle-bearing'],
  },
  {
    group: 'Valve body and solenoids',
    kinds: [
      'valve',
      'valve-body',
      'separator-plate',
      'regulator',
      'manual-valve',
      'solenoid',
      'check-ball',
      'accumulator',
    ],
  },
  { group: 'Pump', kinds: ['pump-gears', 'pump-body', 'pump-cover'] },
  { group: 'Filter', kinds: ['filter'] },
  { group: 'Torque converter', kinds: ['converter'] },
  { group: 'Cooler and lines', kinds: ['cooler', 'line'] },
];
const HARD = 'Drums, shafts, gears and the rest';
/** Sold parts that stand for others, not for themselves. */
const NOT_COUNTED = ['kit', 'successor'];

/** What a scope does with each sort of parts. An exchange unit renews all that is inside. */
export function includedIn(unit: UnitDefinition, scope: Scope): Included[] {
  const lines = new Map(scope.lines.filter((l) => l.kind === 'part').map((l) => [l.key, l]));
  const exchanged = (group: string) =>
    scope.repair === 'exchange' && group !== 'Torque converter' && group !== 'Cooler and lines';
  const flushed = scope.lines.some(
    (l) => l.kind === 'labour' && unit.labour.some((o) => o.id === l.of && o.role === 'cooler-flush'),
  );
  return [...GROUPS.map((g) => g.group), HARD].map((group) => {
    const parts = unit.parts.filter(
      (p) => p.soldAs === undefined && !NOT_COUNTED.includes(p.kind ?? '') && groupOf(p.kind) === group,
    );
    const done = parts.flatMap((p) => lines.get(`part-${p.id}`) ?? []);
    const renewed = done.filter((l) => isBought(l.action));
    const also = [
      ...new Set(done.filter((l) => !isBought(l.action)).map((l) => DONE[l.action] ?? '')),
      ...(group === 'Cooler and lines' && flushed ? ['flushed to a measured flow'] : []),
      ...(renewed.some((l) => l.action === 'upgrade') ? ['one more friction'] : []),
    ].filter(Boolean);
    return {
      group,
      renewed: exchanged(group) ? parts.length : renewed.length,
      of: parts.length,
      also: also.join(', '),
      names: exchanged(group) ? [] : renewed.map((l) => l.name),
    };
  });
}

const DONE: Partial<Record<ScopeLine['action'], string>> = {
  clean: 'cleaned and tested',
  flush: 'flushed',
  measure: 'measured',
  machine: 'machined',
  reline: 'opened and relined',
};

const groupOf = (kind: string | undefined) => GROUPS.find((g) => g.kinds.includes(kind ?? ''))?.group ?? HARD;
