import type { UnitDefinition } from '@/core/unit';
import ostrelFour from '@/data/units/ostrel-four.json';
import { healthyTable, predict, singleHypotheses, slipSweep } from './index';
import { shippedUnits } from '@/data/shipped';
import { signatureOf } from './predict';
import type { Fault } from '@/core/powerflow';

const unit = ostrelFour as unknown as UnitDefinition;
const kinds = (...faults: Fault[]) =>
  Object.fromEntries(predict(unit, healthyTable(unit), faults).map((p) => [p.gear, p.kind]));

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
    const d4 = predict(unit, healthyTable(unit), [{ kind: 'lost', element: 'band-2-4' }]).find(
      (p) => p.gear === 'D4',
    )!;
    expect(d4.actsLike).toBe('D3');
  });
});

describe('several faults, and the edges', () => {
  const drum = 450;
  const one = (gear: string, ...faults: Fault[]) =>
    predict(unit, healthyTable(unit), faults).find((p) => p.gear === gear)!;
  test('an element that slips beside another that is lost: what drives with the one gone may still slip', () => {
    const weak: Fault = { kind: 'slip', element: 'forward', capacityNm: 10 };
    // Without the band second falls to first, and there the forward clutch lets go.
    expect(one('D2', weak, { kind: 'lost', element: 'band-2-4' })).toMatchObject({
      kind: 'slip',
      outcome: 'slip',
      actsLike: null,
    });
    // It carries nothing in Reverse, and with it lost nothing drives in first at all.
    expect(one('R', weak, { kind: 'lost', element: 'band-2-4' }).kind).toBe('normal');
    expect(one('D1', weak, { kind: 'lost', element: 'low-owc' }).kind).toBe('neutral');
  });
  test('two that slip: a gear slips when either lets go', () => {
    const pair: Fault[] = [
      { kind: 'slip', element: 'forward', capacityNm: 10 },
      { kind: 'slip', element: 'reverse', capacityNm: 10 * drum },
    ];
    expect(one('D1', ...pair)).toMatchObject({ kind: 'slip', outcome: 'slip' });
    expect(one('D1', ...pair).ratio).toBeCloseTo(3.0857142857, 9);
    expect(one('R', ...pair)).toMatchObject({ kind: 'normal', outcome: 'drive' });
    expect(one('N', ...pair)).toMatchObject({ kind: 'normal', outcome: 'neutral', ratio: null });
  });
  test('an element slips above what it can carry, not at it', () => {
    // Third asks the high clutch for 300 N·m of the shop’s own figures.
    const [above] = slipSweep(unit).filter((f) => f.element === 'high');
    const kind = (capacityNm: number) => one('D3', { kind: 'slip', element: 'high', capacityNm }).kind;
    expect(above!.capacityNm).toBeLessThan(300);
    expect([kind(1e6), kind(1)]).toEqual(['normal', 'slip']);
  });
  test('taller, shorter, backwards and held', () => {
    expect(one('D1', { kind: 'stuck', element: 'high' })).toMatchObject({ kind: 'higher', actsLike: 'D3' });
    expect(one('D4', { kind: 'lost', element: 'band-2-4' })).toMatchObject({ kind: 'lower', actsLike: 'D3' });
    expect(one('N', { kind: 'stuck', element: 'forward' })).toMatchObject({ kind: 'moves', actsLike: 'D1' });
    expect(one('R', { kind: 'stuck', element: 'forward' })).toMatchObject({ kind: 'tie-up', ratio: null });
    // Normal in each gear whose ratio stays, to the last digits of rounding.
    expect(one('D1', { kind: 'lost', element: 'high' })).toMatchObject({ kind: 'normal', actsLike: null });
  });
  test('a gear that drives the other way is told as one that fights', () => {
    for (const other of shippedUnits) {
      const table = healthyTable(other);
      for (const gear of other.gears)
        for (const { id } of other.elements)
          for (const kind of ['lost', 'stuck'] as const) {
            const p = predict(other, table, [{ kind, element: id }]).find((x) => x.gear === gear.key)!;
            const normal = table.outcomes.get(gear.key)!;
            if (p.ratio !== null && normal.ratio !== null && p.ratio * normal.ratio < 0)
              expect(p.kind).toBe('tie-up');
            if (p.kind === 'normal' && normal.ratio !== null) expect(p.ratio).toBeCloseTo(normal.ratio, 5);
          }
    }
  });
  test('an engine brake that is gone is met only where there was one', () => {
    expect(one('L1', { kind: 'lost', element: 'overrun' }).kind).toBe('no-braking');
    expect(one('D1', { kind: 'lost', element: 'overrun' }).kind).toBe('normal');
  });
  test('what no gear can tell apart has one signature, and another ratio another', () => {
    const signature = (...faults: Fault[]) => signatureOf(predict(unit, healthyTable(unit), faults));
    expect(signature({ kind: 'lost', element: 'high' })).toBe(signature({ kind: 'break', part: 'high-hub' }));
    expect(signature({ kind: 'lost', element: 'high' })).not.toBe(signature());
    expect(signature()).toMatch(/^normal:\|normal:-2\.272727\|/);
  });
});

describe('the swept capacity', () => {
  const sweep = () => slipSweep(unit) as Extract<Fault, { kind: 'slip' }>[];
  test('each step down adds a gear that slips, from none above the highest load to all below the lowest', () => {
    for (const element of ['high', 'forward', 'band-2-4']) {
      const steps = sweep()
        .filter((f) => f.element === element)
        .map((f) => f.capacityNm);
      expect([...steps].sort((a, b) => b - a)).toEqual(steps);
      const slipping = steps.map(
        (capacityNm) =>
          predict(unit, healthyTable(unit), [{ kind: 'slip', element, capacityNm }]).filter(
            (p) => p.kind === 'slip',
          ).length,
      );
      slipping.forEach((n, k) => expect(n).toBeGreaterThan(k === 0 ? 0 : slipping[k - 1]!));
    }
  });
  test('an element that slips at no step is one nothing is asked of', () => {
    expect(new Set(sweep().map((f) => f.element))).toEqual(
      new Set(unit.elements.filter((e) => e.pack || e.band).map((e) => e.id)),
    );
  });
});

describe('hypotheses', () => {
  const all = () => singleHypotheses(unit);
  test('no two look the same, and none looks like a healthy unit', () => {
    const signatures = all().map((h) => signatureOf(h.predictions));
    expect(new Set(signatures).size).toBe(signatures.length);
    expect(signatures).not.toContain(signatureOf(predict(unit, healthyTable(unit), [])));
  });
  test('faults nobody can tell apart from the driver’s seat stand together', () => {
    const high = all().find((h) => h.id === 'lost:high')!;
    expect(high.alike).toContainEqual({ kind: 'break', part: 'high-hub' });
  });
});
