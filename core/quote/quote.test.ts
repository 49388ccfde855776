import fc from 'fast-check';
import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import { buildScope, policiesOf } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import { knowledge, rules } from '@/data/knowledge';
import shop from '@/data/prices/shop.json';
import ostrelFour from '@/data/units/ostrel-four.json';
import { addWorkingDays, buildQuote, findingWords, standingCause, sum, times } from './index';
import type { ShopTerms } from './index';

const unit = ostrelFour as unknown as UnitDefinition;
const terms = shop as unknown as ShopTerms;
const diagnose = diagnoser(unit, knowledge);

function quoteFor(values: Record<string, Json>) {
  const state = stateFromValues(values);
  const diagnosis = diagnose(state);
  const cause = standingCause(state, diagnosis);
  const scope = buildScope(unit, { rules, knowledge }, state, policiesOf(state, terms.policies), cause);
  const quote = buildQuote({
    unit,
    rules,
    knowledge,
    terms,
    state,
    diagnosis,
    cause,
    today: '2026-03-06',
    jobNumber: 7,
    finding: findingWords(unit, state, diagnosis),
    couldChange: [],
    photos: [],
  });
  return { scope, quote, keys: scope.lines.map((l) => l.key) };
}

const TORN_SEAL: Record<string, Json> = {
  'vehicle.make': 'Veldt',
  'vehicle.value': 420000,
  'grid.D3.shop': { any: { behaviours: ['slips'] } },
  'face.high.2.a.heat': { is: 'charred' },
  'face.high.2.b.heat': { is: 'charred' },
  'part.high-piston-outer-seal.condition': { is: 'failed' },
  'cause.commit': { cause: 'high-piston-outer-seal:feed-loss', reason: '' },
};

describe('scope', () => {
  test('a torn seal takes the seal and its burnt plates, not the converter', () => {
    const { keys } = quoteFor(TORN_SEAL);
    expect(keys).toEqual(
      expect.arrayContaining(['part-high-piston-outer-seal', 'part-high-frictions', 'part-high-steels']),
    );
    expect(keys).not.toContain('part-converter');
    expect(keys).not.toContain('part-solenoid-s1');
  });
  test('metal through the system condemns linings that are not burnt, whatever the policy', () => {
    const { keys } = quoteFor({
      ...TORN_SEAL,
      'unit.debris.bright-flakes': { is: { sump: 'heavy' } },
      'scope.policy.overhaul': 'targeted',
    });
    expect(keys).toEqual(
      expect.arrayContaining([
        'part-reverse-frictions',
        'part-forward-steels',
        'labour-cooler-flush',
        'part-converter',
      ]),
    );
  });
  test('a grooved drum goes with its band; a cracked drum takes its seals', () => {
    const { keys } = quoteFor({
      'element.band-2-4.drum': { is: 'grooved' },
      'part.high-drum.condition': { is: 'failed' },
    });
    expect(keys).toEqual(
      expect.arrayContaining([
        'part-reverse-drum',
        'part-band',
        'part-high-drum',
        'part-high-piston-inner-seal',
      ]),
    );
  });
  test('taking out what a firm rule asks for, or the root cause, is possible and warned of', () => {
    const { scope } = quoteFor({
      ...TORN_SEAL,
      'scope.line.part-high-piston-outer-seal': { change: 'remove', reason: 'customer brings his own' },
    });
    expect(scope.removed.map((l) => l.key)).toEqual(['part-high-piston-outer-seal']);
    expect(scope.warnings.join(' ')).toMatch(/root cause.*not in the scope/);
  });
  test('damage of the takedown is in the scope and not on the bill', () => {
    const { quote } = quoteFor({ 'part.pump-cover.condition': { is: 'takedown' } });
    expect(quote.options[0]!.lines.find((l) => l.name === 'Pump cover')).toMatchObject({
      total: 0,
      note: 'on the shop',
    });
  });
  test('a bare unit has no removal from a vehicle', () => {
    expect(quoteFor({ ...TORN_SEAL, 'vehicle.bare': true }).keys).not.toContain('labour-remove-refit');
  });
});

describe('money', () => {
  test('every option adds up to the cent', () => {
    for (const option of quoteFor(TORN_SEAL).quote.options) {
      expect(sum(option.lines.filter((l) => l.kind === 'part').map((l) => l.total))).toBe(option.parts);
      expect(option.taxable).toBe(option.parts + option.labour + option.fluid + option.supplies);
      expect(option.total).toBe(option.taxable + option.tax + option.coreDeposits);
      expect(Number.isInteger(option.total)).toBe(true);
    }
  });
  test('targeted, worked by hand', () => {
    const { quote } = quoteFor(TORN_SEAL);
    const option = quote.options[0]!;
    // outer seal 11.00, frictions 39.00, steels 29.00, filter 18.50, pan gasket 12.00
    expect(option.parts).toBe(1100 + 3900 + 2900 + 1850 + 1200);
    // 7.4 + 3.2 + 4.2 + 1.2 h at 92.00
    expect(option.labour).toBe(68080 + 29440 + 38640 + 11040);
    expect(option.fluid).toBe(12825);
    expect(option.supplies).toBe(Math.round((10950 + 147200) * 0.03));
    expect(option.tax).toBe(Math.round(option.taxable * 0.2));
    expect(option.shareOfValue).toBeCloseTo(option.total / 420000, 12);
  });
  test('rounds halves away from zero and refuses fractions of a cent', () => {
    expect(times(1, 0.5)).toBe(1);
    expect(times(-1, 0.5)).toBe(-1);
    expect(times(333, 0.2)).toBe(67);
    expect(() => times(1.5, 2)).toThrow(RangeError);
  });
  test('tax of the whole never differs from the true value by more than half a cent', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 1e9 }),
        fc.constantFrom(0.2, 0.19, 0.077, 0.21),
        (amount, rate) => {
          expect(Math.abs(times(amount, rate) - amount * rate)).toBeLessThanOrEqual(0.5 + 1e-6);
        },
      ),
    );
  });
});

describe('promise', () => {
  test('counts working days', () => {
    expect(addWorkingDays('2026-03-06', 1)).toBe('2026-03-09');
    expect(addWorkingDays('2026-03-07', 0)).toBe('2026-03-09');
    expect(addWorkingDays('2026-03-06', 6)).toBe('2026-03-16');
    expect(() => addWorkingDays('tomorrow', 1)).toThrow(/YYYY-MM-DD/);
  });
  test('a full overhaul misses less than a targeted repair', () => {
    const [targeted, full] = quoteFor({ 'grid.D3.shop': { any: { behaviours: ['slips'] } } }).quote.options;
    expect(full!.missRisk).toBeLessThan(targeted!.missRisk);
  });
});

describe('the finding in plain words', () => {
  test('one sentence for what failed first, one for what followed, alike elements said once', () => {
    const { quote } = quoteFor({
      'cause.commit': { cause: 'pump-cover:low-output', reason: 'scored' },
      'part.pump-cover.condition': { is: 'failed' },
      'element.band-2-4.lining': { is: 'charred' },
      'face.high.2.a.heat': { is: 'charred' },
      'unit.fluid.smell': { is: 'burnt' },
    });
    expect(quote.finding).toBe(
      'What failed first: pump cover worn or scored: the pump cannot keep pressure. As a result the high clutch and 2-4 band slipped and burnt and the oil itself was burnt. Probably the oil pressure that applies the clutches fell and lining dust got into the oil as well; nobody has seen that yet.',
    );
  });
  test('the technician’s own words stand as they are', () => {
    expect(quoteFor({ 'cause.words': 'Worn out, plainly.' }).quote.finding).toBe('Worn out, plainly.');
  });
  test('nothing determined is said plainly', () => {
    expect(quoteFor({}).quote.finding).toContain('not yet determined');
  });
});

test('a lining that came unbonded is a claim against its rebuilder, wear is not', () => {
  const claim = (face: string) =>
    quoteFor({ 'part.converter.lining': { is: 'gone' }, 'part.converter.face': { is: face } }).keys.includes(
      'outside-converter-claim',
    );
  expect(claim('smooth')).toBe(true);
  expect(claim('bonded')).toBe(false);
});

test('an option is summed up by what matters: the cause first', () => {
  const [targeted] = quoteFor(TORN_SEAL).quote.options;
  expect(targeted!.summary).toMatch(/^Renewed: high piston outer seal, high friction set, high steel set,/);
});
