import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { healthyTable, predict, singleHypotheses, slipSweep } from './index';
import { signatureOf } from './predict';
import type { Fault } from '@/core/powerflow';

const unit = ostrelFour as unknown as UnitDefinition;
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
