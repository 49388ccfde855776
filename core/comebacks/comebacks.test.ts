import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import type { Cause } from '@/core/diagnosis';
import { fact } from '@/core/facts';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { compareRecords, responsibilityOf } from './index';
import type { EarlierWork } from './index';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
const compare = (then: Record<string, Json>, now: Record<string, Json>) =>
  compareRecords(inspection, knowledge, stateFromValues(then), stateFromValues(now));
const is = (level: string) => ({ is: level });

describe('then and now', () => {
  test('what is worse stands first, then what was looked at once and was bad; what was and is sound is left out', () => {
    const rows = compare(
      {
        'part.filter.pleats': is('blocked'),
        'part.sun-shell.condition': is('sound'),
        'part.pump-cover.condition': is('worn'),
        'part.input-shaft.condition': is('sound'),
        'part.pump-gears.condition': is('worn'),
      },
      {
        'part.filter.pleats': is('clear'),
        'part.sun-shell.condition': is('failed'),
        'part.input-shaft.condition': is('sound'),
        'part.high-hub.condition': is('sound'),
        'part.pump-gears.condition': is('worn'),
      },
    );
    expect(rows.map(({ words, then, now, change }) => [words, then, now, change])).toEqual([
      ['Sun shell', 'sound', 'failed', 'worse'],
      ['Pump cover', 'worn', null, 'not-compared'],
      ['Pump gears', 'worn', 'worn', 'same'],
      ['Filter, between the pleats, cut open', 'blocked', 'clear', 'better'],
    ]);
  });

  test('faces of a pack are one line, for its lining', () => {
    const rows = compare(
      { 'face.high.2.a.heat': is('sound') },
      { 'face.high.2.a.heat': is('charred'), 'face.high.2.b.heat': is('flaking') },
    );
    expect(rows).toHaveLength(1);
    expect(rows[0]).toMatchObject({ point: 'lining:high', then: 'sound', now: 'burnt', change: 'worse' });
  });

  test('nothing recorded, nothing compared', () => expect(compare({}, {})).toEqual([]));
});

describe('whose matter it is', () => {
  const cause = (id: string, mode: string, part: string | null, probability: number): Cause => ({
    id,
    mode,
    part,
    element: null,
    curedBy: [],
    gearset: null,
    probability,
    present: probability,
    words: id,
    chain: [],
    evidence: [],
  });
  const work = (more: Partial<EarlierWork> = {}): EarlierWork => ({
    cause: null,
    renewed: new Set(),
    facts: [],
    ...more,
  });
  const party = (c: Cause, w: EarlierWork) => {
    const [first] = responsibilityOf([c], w);
    return [first!.party, first!.because[0]!.why];
  };
  const seal = cause('seal:feed-loss', 'feed-loss', 'seal', 0.8);

  test('set up wrong is the shop’s, more torque the customer’s, an engine’s fault nobody’s here', () => {
    expect(party(cause('high:set-up-wrong', 'set-up-wrong', null, 1), work())).toEqual(['shop', 'set-up']);
    expect(party(cause('overload', 'overload', null, 1), work())).toEqual(['customer', 'use']);
    expect(party(cause('outside', 'outside', null, 1), work())).toEqual(['outside', 'not-transmission']);
  });

  test('a part that is new failed by its supplier; the same cause again is the shop’s only where the part is old', () => {
    expect(party(seal, work({ renewed: new Set(['seal']) }))).toEqual(['supplier', 'renewed-failed']);
    expect(party(seal, work({ cause: 'seal:feed-loss' }))).toEqual(['shop', 'same-again']);
    expect(party(seal, work({ cause: 'seal:feed-loss', renewed: new Set(['seal']) }))[0]).toBe('supplier');
  });

  test('found bad then and left in is the shop’s; found sound, or not looked at, it has worn', () => {
    const found = (level: string, severity: number) => ({ ...fact('part:seal', level, 'x'), severity });
    expect(party(seal, work({ facts: [found('worn', 2)] }))).toEqual(['shop', 'left-in']);
    expect(party(seal, work({ facts: [found('marked', 1)] }))).toEqual(['wear', 'not-touched']);
    expect(party(seal, work())).toEqual(['wear', 'not-touched']);
  });

  test('probabilities of causes add up by party, the greatest share first; what is unheard of is not named', () => {
    const all = responsibilityOf(
      [
        seal,
        cause('x', 'overload', null, 0.12),
        cause('y', 'water', null, 0.06),
        cause('z', 'unseated', 'filter', 0.01),
        cause('other', 'other', null, 0.01),
      ],
      work(),
    );
    expect(all.map((r) => [r.party, r.share])).toEqual([
      ['wear', 0.8],
      ['customer', 0.18],
    ]);
    expect(all[1]!.because.map((b) => b.cause)).toEqual(['x', 'y']);
  });
});
