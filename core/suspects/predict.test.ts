import type { UnitDefinition } from '@/core/unit';
import behaviour from '@/data/knowledge/behaviour.json';
import ostrelFour from '@/data/units/ostrel-four.json';
import {
  agrees,
  cellLogLikelihood,
  gridLogLikelihood,
  healthyTable,
  predict,
  singleHypotheses,
  slipSweep,
} from './index';
import type { BehaviourTable, Prediction } from './index';
import { signatureOf } from './predict';
import type { Fault } from '@/core/powerflow';
import type { Behaviour, Complaint } from '@/core/case';
import { complaint } from '@/tests/fixtures/told';

const unit = ostrelFour as unknown as UnitDefinition;
const table = behaviour as unknown as BehaviourTable;
const healthy = healthyTable(unit);
const kinds = (...faults: Fault[]) =>
  Object.fromEntries(predict(unit, healthy, faults).map((p) => [p.gear, p.kind]));

describe('what a driver meets', () => {
  test('as built, every gear is normal', () => {
    expect(new Set(Object.values(kinds()))).toEqual(new Set(['normal']));
  });
  test.each<[string, Fault, Record<string, string>]>([
    [
      'band lost',
      { kind: 'lost', element: 'band-2-4' },
      { D1: 'normal', D2: 'lower', D3: 'normal', D4: 'lower', R: 'normal' },
    ],
    ['high lost', { kind: 'lost', element: 'high' }, { D2: 'normal', D3: 'lower', D4: 'lower' }],
    [
      'forward lost',
      { kind: 'lost', element: 'forward' },
      { D1: 'neutral', D3: 'neutral', D4: 'normal', R: 'normal' },
    ],
    [
      'forward stuck',
      { kind: 'stuck', element: 'forward' },
      { N: 'moves', P: 'moves', R: 'tie-up', D1: 'normal', D4: 'normal' },
    ],
    [
      'overrun lost',
      { kind: 'lost', element: 'overrun' },
      { L1: 'no-braking', L2: 'no-braking', D1: 'normal' },
    ],
    ['low one-way lost', { kind: 'lost', element: 'low-owc' }, { D1: 'neutral', L1: 'normal', D2: 'normal' }],
    [
      'sun shell broken',
      { kind: 'break', part: 'sun-shell' },
      { R: 'neutral', D2: 'lower', D4: 'lower', D3: 'normal' },
    ],
    [
      'output weld broken',
      { kind: 'break', part: 'output-weld' },
      { R: 'neutral', D1: 'neutral', D4: 'neutral' },
    ],
  ])('%s', (_, fault, expected) => expect(kinds(fault)).toMatchObject(expected));
  test('a gear that takes another’s ratio names it', () => {
    const d4 = predict(unit, healthy, [{ kind: 'lost', element: 'band-2-4' }]).find((p) => p.gear === 'D4')!;
    expect(d4.actsLike).toBe('D3');
  });
});

describe('the swept capacity', () => {
  const sweep = slipSweep(unit) as Extract<Fault, { kind: 'slip' }>[];
  test('each step down adds a gear that slips, from none above the highest load to all below the lowest', () => {
    for (const element of ['high', 'forward', 'band-2-4']) {
      const steps = sweep.filter((f) => f.element === element).map((f) => f.capacityNm);
      expect([...steps].sort((a, b) => b - a)).toEqual(steps);
      const slipping = steps.map(
        (capacityNm) =>
          predict(unit, healthy, [{ kind: 'slip', element, capacityNm }]).filter((p) => p.kind === 'slip')
            .length,
      );
      slipping.forEach((n, k) => expect(n).toBeGreaterThan(k === 0 ? 0 : slipping[k - 1]!));
    }
  });
  test('an element that slips at no step is one nothing is asked of', () => {
    expect(new Set(sweep.map((f) => f.element))).toEqual(
      new Set(unit.elements.filter((e) => e.pack || e.band).map((e) => e.id)),
    );
  });
});

describe('hypotheses', () => {
  const all = singleHypotheses(unit);
  test('no two look the same, and none looks like a healthy unit', () => {
    const signatures = all.map((h) => signatureOf(h.predictions));
    expect(new Set(signatures).size).toBe(signatures.length);
    expect(signatures).not.toContain(signatureOf(predict(unit, healthy, [])));
  });
  test('faults nobody can tell apart from the driver’s seat stand together', () => {
    const high = all.find((h) => h.id === 'lost:high')!;
    expect(high.alike).toContainEqual({ kind: 'break', part: 'high-hub' });
  });
});

describe('how well a word fits', () => {
  const cell = (behaviours: Behaviour[], more: Parameters<typeof complaint>[2] = {}) =>
    complaint('D2', behaviours, more);
  const prediction = (kind: Prediction['kind'], actsLike: string | null = null): Prediction => ({
    gear: 'D2',
    kind,
    outcome: 'drive',
    ratio: 1,
    actsLike,
  });
  const sound = predict(unit, healthy, []);
  const ALWAYS = [{ when: 'always' as const, share: 1 }];
  const fit = (c: Complaint, p: Prediction) => cellLogLikelihood(table, c, p);
  test('a tie-up is told as binding, bogging or slipping, hardly ever as normal', () => {
    for (const word of ['binds', 'bogs', 'slips'] as const)
      expect(fit(cell([word]), prediction('tie-up'))).toBeGreaterThan(
        fit(cell(['normal']), prediction('tie-up')) + 1,
      );
  });
  test('what the shop verified weighs more than the customer’s word, both ways', () => {
    const swing = (teller: 'shop' | 'customer') =>
      fit(cell(['no-drive'], { teller }), prediction('neutral')) -
      fit(cell(['no-drive'], { teller }), prediction('normal'));
    expect(swing('shop')).toBeGreaterThan(swing('customer'));
  });
  test('a limp gear is set aside', () => {
    const limp = { ...cell(['no-drive'], { limp: true }), gear: 'D2' };
    expect(gridLogLikelihood(table, [limp], sound, sound, ALWAYS)).toBe(0);
  });
  test('naming the gear it acts like speaks for that gear and against others', () => {
    const like = (as: string) => fit(cell(['wrong-gear'], { actsLike: as }), prediction('lower', 'D1'));
    expect(like('D1')).toBeGreaterThan(like('D3') + 1.5);
  });
  test('many words for one gear are one event', () => {
    const one = fit(cell(['slips']), prediction('slip'));
    const two = fit(cell(['slips', 'flares']), prediction('slip'));
    expect(Math.abs(two - one)).toBeLessThan(0.5);
  });
  test('agreeing means: hardly any other outcome would be told better this way', () => {
    expect(agrees(table, cell(['no-drive']), prediction('neutral'))).toBe(true);
    expect(agrees(table, cell(['no-drive']), prediction('normal'))).toBe(false);
  });
  test('gears nobody described count for nothing', () => {
    expect(gridLogLikelihood(table, [], sound, sound, ALWAYS)).toBe(0);
    expect(gridLogLikelihood(table, [{ ...cell(['slips']), gear: 'X9' }], sound, sound, ALWAYS)).toBe(0);
  });
});
