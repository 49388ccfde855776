import fc from 'fast-check';
import { caseUntil, EMPTY_STATE, familyOf, findingsOf, fold, recordOf, stateOfCase, takeIn } from './index';
import { STAGES } from '@/core/stage';
import type { CaseDocument, Entry } from './index';

const entries = fc.uniqueArray(
  fc.record({
    seq: fc.integer({ min: 1, max: 500 }),
    slot: fc.constantFrom('unit.fluid.level', 'unit.fluid.colour', 'grid.D2.shop', 'customer.name'),
    value: fc.oneof(fc.constant(null), fc.string({ minLength: 1 })),
  }),
  { selector: (e) => e.seq, maxLength: 60 },
);
const full = (e: { seq: number; slot: string; value: string | null }): Entry => ({
  ...e,
  id: `entry-${e.seq}`,
  by: 'mira',
  at: '2026-01-01T00:00:00.000Z',
});

describe('fold', () => {
  test('does not depend on the order of arrival, nor on repeats', () => {
    fc.assert(
      fc.property(entries, fc.func(fc.integer()), (list, mix) => {
        const all = list.map(full);
        const shuffled = [...all, ...all.slice(0, 5)].sort((a, b) => mix(a.seq) - mix(b.seq));
        expect(fold(EMPTY_STATE, shuffled)).toEqual(fold(EMPTY_STATE, all));
      }),
    );
  });

  test('may be done in steps: folding the rest onto a snapshot gives the same', () => {
    fc.assert(
      fc.property(entries, fc.nat(60), (list, cut) => {
        const all = list.map(full).sort((a, b) => a.seq - b.seq);
        const steps = fold(fold(EMPTY_STATE, all.slice(0, cut)), all.slice(cut));
        expect(steps).toEqual(fold(EMPTY_STATE, all));
      }),
    );
  });

  test('null clears a slot and a later write fills it again', () => {
    const write = (seq: number, value: string | null) => full({ seq, slot: 'unit.fluid.level', value });
    expect(fold(EMPTY_STATE, [write(1, 'low'), write(2, null)])).toEqual({});
    expect(
      fold(EMPTY_STATE, [write(1, 'low'), write(2, null), write(3, 'full')])['unit.fluid.level']!.value,
    ).toBe('full');
  });
});

/** Whatever is told of parts belongs to the teardown here; the catalogue's own stages have a test of their own. */
const stageOf = (slot: string) => (slot.startsWith('part.') ? ('teardown' as const) : ('intake' as const));

describe('slots', () => {
  test.each([
    ['grid.D2.shop', 'intake'],
    ['station.pan.out', 'teardown'],
    ['scope.line.part-filter', 'scope'],
    ['cause.commit', 'cause'],
  ])('%s belongs to %s', (slot, stage) => expect(familyOf(slot)!.stage).toBe(stage));

  test.each([
    'grid',
    'grid.D2',
    'grid.D2.x',
    'part.filter.pleats',
    'nonsense.slot',
    'grid.',
    'grid.D 2',
    '__proto__',
  ])('%s is unknown', (slot) => expect(familyOf(slot)).toBeNull());
});

describe('case document', () => {
  const document: CaseDocument = {
    format: 'pelvik-case/2',
    unit: 'ostrel-four',
    findings: [
      { slot: 'unit.fluid.level', value: 'low' },
      { slot: 'part.filter.pleats', value: { is: 'blocked' } },
      { slot: 'part.filter.condition', value: { is: 'worn' }, stage: 'intake' },
    ],
  };

  test('until a stage keeps what was known then, a finding’s own stage first', () => {
    expect(caseUntil(document, 'suspects', STAGES, stageOf).findings.map((f) => f.slot)).toEqual([
      'unit.fluid.level',
      'part.filter.condition',
    ]);
  });

  test('findings survive a trip through the state', () => {
    expect(findingsOf(stateOfCase(document), stageOf).map((f) => f.slot)).toEqual([
      'part.filter.condition',
      'part.filter.pleats',
      'unit.fluid.level',
    ]);
  });
});

describe('a record', () => {
  test('takes entries in any order, in any portions and with repeats, clears included', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.boolean()), { maxLength: 30 }),
        fc.infiniteStream(fc.nat(1000)),
        (writes, dice) => {
          const all = writes.map(([slot, clear], k) =>
            full({ seq: k + 1, slot, value: clear ? null : `v${k}` }),
          );
          const next = () => dice.next().value as number;
          const portions: Entry[][] = [];
          for (let left = [...all, ...all.filter(() => next() % 3 === 0)]; left.length; ) {
            left = left.sort(() => next() - 500);
            portions.push(left.splice(0, 1 + (next() % 4)));
          }
          const from = next() % (all.length + 1);
          const start = recordOf(fold(EMPTY_STATE, all.slice(0, from)), from);
          const end = portions.reduce(takeIn, start);
          expect(end.state).toEqual(fold(EMPTY_STATE, all));
          expect(end.lastSeq).toBe(all.length);
          expect(end.ahead).toEqual([]);
        },
      ),
    );
  });
  test('knows up to where nothing is missing', () => {
    const at = (...seqs: number[]) => seqs.map((seq) => full({ seq, slot: 's', value: `v${seq}` }));
    const gap = takeIn(recordOf(EMPTY_STATE, 0), at(1, 3, 4));
    expect([gap.lastSeq, gap.ahead]).toEqual([1, [3, 4]]);
    expect(takeIn(gap, at(2)).lastSeq).toBe(4);
    expect(takeIn(gap, at(1, 3))).toBe(gap);
  });
});
