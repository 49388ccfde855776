import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { checkQuote } from '@/core/validation';
import { knowledge } from '@/data/knowledge';
import {
  cause,
  diagnosis,
  paperTerms,
  paperUnit,
  part,
  rule,
  rulesOf,
  scopeCause,
} from '@/tests/fixtures/paper';
import { buildQuote } from './quote';
import type { QuoteRequest } from './quote';

const ways = [{ by: [{ part: '$p' }], works: 0.9 }];
const torn = scopeCause('torn', ways, { part: 'shaft' });
const found = diagnosis([cause('torn', 0.9, { part: 'shaft', curedBy: ways }), cause('other', 0.1)]);
const rules = rulesOf([
  rule('in', [{ operation: 'remove-refit' }, { supply: 'fluid' }], {
    when: ['bare=no'],
    repairs: ['targeted', 'full', 'exchange'],
  }),
  rule('some', [{ operation: 'targeted' }], { repairs: ['targeted'] }),
  rule('full', [{ operation: 'overhaul' }, { role: 'overhaul-kit' }], { repairs: ['full', 'upgrade'] }),
  rule('swap', [{ role: 'exchange-unit' }, { role: 'converter' }], { repairs: ['exchange'] }),
  rule('left', [{ operation: 'teardown', done: true }], { repairs: ['none'], when: ['apart=yes'] }),
]);
const APART = { 'part.shaft.splines': { is: 'sound' } };
const request = (values: Record<string, Json> = {}, more: Partial<QuoteRequest> = {}): QuoteRequest => ({
  unit: paperUnit,
  rules,
  knowledge,
  terms: paperTerms,
  state: stateFromValues(values),
  diagnosis: found,
  causes: [torn],
  clock: { now: '2026-11-25T10:00', decideBy: '2026-11-26T12:00', queueHours: 0 },
  jobNumber: 7,
  finding: 'A torn shaft.',
  couldChange: [],
  photos: [],
  ...more,
});
const quote = (...args: Parameters<typeof request>) => buildQuote(request(...args));
const option = (id: string, ...args: Parameters<typeof request>) =>
  quote(...args).options.find((o) => o.id === id)!;

describe('the head of a quote', () => {
  test('says whose it is, for whom, and how long it holds', () => {
    const told = quote({
      'customer.name': 'Ann',
      'complaint.words': 'Slips',
      'vehicle.make': 'Marrick',
      'quote.note': 'Cash or card.',
    });
    expect(told).toMatchObject({
      format: 'pelvik-quote/2',
      shop: { name: 'Shop', address: 'Street 1', phone: '00 1' },
      date: '2026-11-25',
      validUntil: '2026-12-25',
      job: { number: 7, unit: 'Ostrel Four', customer: 'Ann', complaint: 'Slips', vehicle: 'Marrick' },
      finding: 'A torn shaft.',
      note: 'Cash or card.',
    });
    expect('cautions' in told).toBe(false);
    expect(checkQuote(told)).toEqual([]);
  });
  test('leaves open what nobody has said', () => {
    expect(quote().job).toMatchObject({ customer: '', complaint: '' });
    expect(quote().note).toBe('');
  });
  test('is undetermined until somebody has committed a cause', () => {
    const open = { diagnosis: { ...found, undetermined: true } };
    expect(quote({}, open).undetermined).toBe(true);
    expect(quote({ 'cause.commit': { cause: 'torn', reason: 'r' } }, open).undetermined).toBe(false);
  });
  test('warns of what can hurt somebody', () => {
    const moves = { 'grid.N.customer': { any: { behaviours: ['moves'] } } };
    expect(quote(moves).cautions![0]).toMatch(/do not drive/i);
  });
});

describe('the options', () => {
  test('stand side by side; an upgrade is there when it is called for, an exchange where one is sold', () => {
    expect(quote(APART).options.map((o) => o.id)).toEqual(['targeted', 'full', 'exchange', 'no-repair']);
    expect(quote({ ...APART, 'scope.policy.plates': 'added' }).options.map((o) => o.id)).toEqual([
      'targeted',
      'full',
      'upgrade',
      'exchange',
      'no-repair',
    ]);
    const unit = { ...paperUnit, parts: paperUnit.parts.filter((p) => p.role !== 'exchange-unit') };
    expect(quote(APART, { unit }).options.map((o) => o.id)).toEqual(['targeted', 'full', 'no-repair']);
  });
  test('without a targeted repair where the evidence bars it, and that is said', () => {
    const barring = {
      ...rules,
      repairs: rules.repairs.map((r) =>
        r.repair === 'targeted' ? { ...r, unless: [{ when: ['apart=yes'], reason: 'It spread.' }] } : r,
      ),
    };
    const told = quote(APART, { rules: barring });
    expect(told.options.map((o) => o.id)).toEqual(['full', 'exchange', 'no-repair']);
    expect(told.barred).toEqual([{ name: 'Targeted repair', reason: 'It spread.' }]);
    expect(told.recommended).toEqual({ option: 'full', why: 'It spread.' });
    expect(quote(APART).barred).toEqual([]);
  });
  test('each has its bill, its warranty, its risk and what is renewed', () => {
    const some = option('targeted', APART);
    // Shaft 50 and ring 3… the ring is not asked for; 8 h at 50, put together 2 h and the pan 1 h at 60, oil 45.
    expect(some).toMatchObject({
      parts: 5000,
      labour: 40000 + 18000,
      fluid: 4500,
      supplies: 5000,
      waste: 500,
      total: Math.round(73000 * 1.2) + 700,
    });
    expect(some.warranty).toBe('12 months or 20,000 km on what was opened and renewed');
    expect(some.missRisk).toBeCloseTo(0.9 * 0.1 + 0.1, 9);
    expect(some.included.find((i) => i.group.startsWith('Drums'))!.names).toEqual(['Part shaft']);
    expect(some.summary).toBe('What failed and what it harmed is repaired. Renewed: part shaft');
    expect(option('full', APART).summary).toBe(
      'Every lining, seal, gasket and bushing is renewed and every clearance set. Renewed, among others: part shaft, part kit',
    );
    expect(option('exchange', APART).summary).toMatch(/overhauled elsewhere/);
  });
  test('the summary names four, the cause first, and counts the rest', () => {
    const many = rulesOf([
      ...rules.rules,
      rule('custom', [{ part: 'ring' }, { part: 'drum' }]),
      rule('seen', [{ part: 'valve' }, { part: 'lining-a' }, { part: 'lining-b' }], { firm: true }),
    ]);
    expect(option('targeted', APART, { rules: many }).summary).toBe(
      'What failed and what it harmed is repaired. Renewed: part shaft, part valve, part lining-a, part lining-b and 2 more',
    );
    const none = { causes: [], diagnosis: diagnosis([cause('other', 1)]) };
    expect(option('targeted', APART, none).summary).toBe('What failed and what it harmed is repaired');
  });
  test('a discount is the repair’s, not the price of leaving it', () => {
    const off = { ...APART, 'quote.discount': { share: 0.5, words: 'Friend' } };
    expect(option('targeted', off).discount).toBe(36500);
    expect(option('no-repair', off).discount).toBe(0);
  });
  test('times and prices are the shop’s own', () => {
    const terms = {
      ...paperTerms,
      times: [{ unit: 'ostrel-four', operation: 'rr', hours: 10 }],
      prices: [{ unit: 'ostrel-four', part: 'shaft', price: 6000 }],
    };
    expect(option('targeted', APART, { terms })).toMatchObject({ parts: 6000, labour: 50000 + 18000 });
  });
});

describe('ready', () => {
  test('counts only the hours still to be done, from the customer’s yes, after the last part', () => {
    // Apart: half of 8 h and 3 h at the bench are left; the shaft takes four days from Thursday noon.
    const some = option('targeted', APART);
    expect(some.inner!.hoursLeft).toBe(7);
    expect(some.ready).toMatchObject({
      decideBy: '2026-11-26T12:00',
      at: '2026-11-30T15:00',
      hangsOn: 'parts',
      latest: 'Part shaft',
    });
    expect(some.readyBy).toBe('2026-11-30');
    expect(option('targeted', {}).inner!.hoursLeft).toBe(11);
  });
  test('does not wait for what the kit holds', () => {
    expect(option('full', APART).ready!.latest).toBe('Part shaft');
  });
  test('says where it is later than was promised', () => {
    expect(option('targeted', { ...APART, 'job.promised': '2026-11-29' }).late).toBe(true);
    expect(option('targeted', { ...APART, 'job.promised': '2026-11-30' }).late).toBe(false);
    expect(option('targeted', APART).late).toBe(false);
  });
  test('a relined converter has to cure', () => {
    const labour = [
      ...paperUnit.labour,
      { id: 'open', role: 'converter-open' as const, name: 'Open', hours: 1 },
    ];
    const relined = rulesOf([...rules.rules, rule('r', [{ operation: 'converter-open' }])]);
    const { ready } = option('targeted', APART, { unit: { ...paperUnit, labour }, rules: relined });
    expect(ready!.steps.at(-1)!.words).toMatch(/cured and cooled/);
    expect(ready!.at).toBe('2026-12-01T08:00');
  });
});

describe('leaving it', () => {
  test('costs what was done, and says in what state it goes back and what more it would cost', () => {
    const left = option('no-repair', APART);
    expect(left.lines.map((l) => [l.name, l.total])).toEqual([['Take apart', 18000]]);
    expect(left).toMatchObject({
      total: Math.round((18000 + 1800) * 1.2),
      ready: null,
      readyBy: null,
      warranty: 'None',
      missRisk: 1,
      included: [],
      late: false,
    });
    // Refitting is half of 8 h at 50, putting together 2 h at 60.
    expect(left.summary).toMatch(/does not drive: it has to be towed.*about €320.00 more, before tax/);
    expect(left.inner!.expectedReturn).toBe(0);
  });
  test('before anything is apart costs nothing here, and the vehicle goes back as it came', () => {
    expect(option('no-repair')).toMatchObject({ total: 0, summary: 'The vehicle goes back as it came' });
    expect(option('no-repair', { 'vehicle.bare': true }).summary).toBe('The unit goes back as it came');
    expect(option('no-repair', { ...APART, 'vehicle.bare': true }).summary).toMatch(/in boxes/);
  });
});

test('the share of the vehicle’s value; none without a value, none for a bare unit', () => {
  const share = (values: Record<string, Json>) => option('targeted', { ...APART, ...values }).shareOfValue;
  expect(share({ 'vehicle.value': 883000 })).toBeCloseTo(0.1, 9);
  expect(share({})).toBeNull();
  expect(share({ 'vehicle.value': 883000, 'vehicle.bare': true })).toBeNull();
});

test('what the shop earns is what is charged before tax less what it costs', () => {
  const { inner, taxable } = option('targeted', APART);
  expect(inner!.cost).toBe(4000 + 33000 + 3600);
  expect(inner!.margin).toBe(taxable - inner!.cost);
  expect(inner!.expectedReturn).toBeGreaterThan(0);
});

test('problems nobody signed for go with the option they are in', () => {
  const out = { ...APART, 'scope.line.part-shaft': { change: 'remove', reason: 'r' } };
  expect(option('targeted', out).problems.map((p) => p.kind)).toEqual(['cause', 'kept']);
  const signed = {
    ...out,
    'scope.waiver.cause-torn': { words: 'x' },
    'scope.waiver.kept-part-shaft': { words: 'x' },
  };
  expect(option('targeted', signed).problems).toEqual([]);
  expect(part('x').id).toBe('x');
});
