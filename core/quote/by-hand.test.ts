import { stateFromValues, vehicleName } from '@/core/case';
import type { Json } from '@/core/case';
import type { Cause, Diagnosis } from '@/core/diagnosis';
import type { ScopeRules } from '@/core/scope';
import type { Part, UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { buildQuote, cautionsFor, couldChange, findingWords, standingCause } from './index';
import type { ShopTerms } from './index';

/** Every figure here is worked out on paper, from a few parts, rules and terms made up for it. */
const four = ostrelFour as unknown as UnitDefinition;
const part = (id: string, more: Partial<Part>): Part => ({
  id,
  name: `Part ${id}`,
  station: 'pan',
  material: 'steel',
  price: 1000,
  leadDays: 1,
  ...more,
});
const unit: UnitDefinition = {
  ...four,
  fluidLitres: 5,
  elements: four.elements.map((e) => ({
    ...e,
    liningParts: e.id === 'high' ? ['lining-a', 'lining-b'] : [],
  })),
  parts: [
    part('kit', { role: 'overhaul-kit', price: 20000, leadDays: 2, kit: 'separate' }),
    part('in-kit', { kit: 'overhaul', leadDays: 30, failure: 'torn' }),
    part('shaft', { price: 5000, leadDays: 4, coreDeposit: 700 }),
    part('valve', { station: 'valve-body', role: 'regulator', failure: 'sticking' }),
    part('lining-a', {}),
    part('lining-b', {}),
  ],
  labour: [
    { id: 'bench', role: 'overhaul', name: 'Bench work', hours: 5 },
    { id: 'clean', role: 'valve-body', name: 'Clean the valve body', hours: 2 },
  ],
};
const terms: ShopTerms = {
  format: 'pelvik-shop/1',
  name: 'Shop',
  address: 'Street 1',
  phone: '00 1',
  currency: 'EUR',
  labourPerHour: 6000,
  fluidPerLitre: 900,
  suppliesRate: 0.1,
  suppliesCap: 5000,
  taxRate: 0.2,
  benchHoursPerDay: 4,
  quoteValidDays: 30,
  inspectionFee: 9000,
  policies: { overhaul: 'targeted', converter: 'on-evidence' },
  warranty: {
    targeted: { months: 12, km: 20000, words: 'a year' },
    full: { months: 24, km: 40000, words: 'two years' },
  },
};
const rules: ScopeRules = {
  format: 'pelvik-scope-rules/1',
  rules: [
    {
      id: 'targeted',
      when: ['policy:overhaul=targeted'],
      lines: [{ part: 'shaft', action: 'replace' }, { operation: 'overhaul' }],
      reason: 'Asked for',
    },
    {
      id: 'full',
      when: ['policy:overhaul=full'],
      lines: [
        { role: 'overhaul-kit', action: 'replace' },
        { part: 'in-kit', action: 'replace' },
        { part: 'valve', action: 'measure' },
        { operation: 'valve-body' },
      ],
      reason: 'Policy',
    },
  ],
};
const cause = (id: string, probability: number, more: Partial<Cause> = {}) =>
  ({
    id,
    mode: 'm',
    words: `Cause ${id}`,
    probability,
    part: null,
    element: null,
    chain: [],
    ...more,
  }) as Cause;
const diagnosis = (causes: Cause[], more: Partial<Diagnosis> = {}) =>
  ({
    causes,
    mechanisms: [],
    nextChecks: [],
    undetermined: false,
    groups: [],
    upstream: [],
    unexplained: [],
    ...more,
  }) as Diagnosis;

const quote = (values: Record<string, Json> = {}, found = diagnosis([cause('x', 1)])) =>
  buildQuote({
    unit,
    rules,
    knowledge,
    terms,
    state: stateFromValues(values),
    diagnosis: found,
    cause: null,
    // A Friday.
    today: '2026-03-06',
    jobNumber: 7,
    finding: 'Found',
    couldChange: ['a'],
    photos: [],
  });
const option = (id: string, values: Record<string, Json> = {}, found?: Diagnosis) =>
  quote(values, found).options.find((o) => o.id === id)!;

describe('what an option costs', () => {
  test('targeted: shaft 50.00, five hours 300.00, fluid 45.00, supplies 10 %, tax 20 %, deposit on top', () => {
    expect(option('targeted')).toMatchObject({
      name: 'Targeted repair',
      parts: 5000,
      labour: 30000,
      fluid: 4500,
      supplies: 3500,
      taxable: 43000,
      tax: 8600,
      coreDeposits: 700,
      total: 52300,
      warranty: 'a year',
      summary: 'Renewed: part shaft',
    });
  });
  test('twice the quantity is twice the part and twice the deposit; supplies stop at their cap', () => {
    const own = { change: 'change', quantity: 3, price: 10000, reason: 'three of them' };
    expect(option('targeted', { 'scope.line.part-shaft': own })).toMatchObject({
      parts: 30000,
      supplies: 5000,
      coreDeposits: 2100,
      taxable: 69500,
      tax: 13900,
      total: 85500,
    });
  });
  test('full: what the kit holds, and what is only measured, costs nothing and is not waited for', () => {
    const full = option('full');
    expect(full).toMatchObject({ parts: 20000, labour: 12000, name: 'Full overhaul', warranty: 'two years' });
    const line = (name: string) => full.lines.find((l) => l.name === name)!;
    expect(line('Part in-kit')).toMatchObject({ price: 0, total: 0, note: 'in the kit', kind: 'part' });
    expect(line('Clean the valve body')).toMatchObject({
      price: 12000,
      total: 12000,
      note: '2 h',
      kind: 'labour',
    });
    expect(line('Part valve')).toMatchObject({ action: 'measure', note: '', reason: 'Policy' });
    expect(full.summary).toBe('Renewed: part kit');
  });
  test('ready when the slowest part has come and the bench has had its hours: working days only', () => {
    // Four days of waiting, five hours at four a day are two: six working days from Friday.
    expect(option('targeted').readyBy).toBe('2026-03-16');
    // Two days for the kit, two hours are one: three.
    expect(option('full').readyBy).toBe('2026-03-11');
  });
  test('leaving it costs the inspection', () => {
    expect(option('no-repair', { 'vehicle.value': 108000 })).toMatchObject({
      labour: 9000,
      tax: 1800,
      total: 10800,
      shareOfValue: 0.1,
      readyBy: null,
      missRisk: 1,
      lines: [{ kind: 'labour', quantity: 1, price: 9000, total: 9000, action: 'inspect' }],
    });
  });
  test('the share of the vehicle’s value; none without a value, none for a bare unit', () => {
    expect(option('targeted', { 'vehicle.value': 523000 }).shareOfValue).toBeCloseTo(0.1, 12);
    expect(option('targeted').shareOfValue).toBeNull();
    expect(option('targeted', { 'vehicle.value': 523000, 'vehicle.bare': true }).shareOfValue).toBeNull();
  });
  test('the summary names four and counts the rest', () => {
    const add = (k: number) => ({ change: 'add', name: `Own ${k}`, action: 'replace', reason: 'r' });
    const lines = (n: number) =>
      Object.fromEntries(Array.from({ length: n }, (_, k) => [`scope.line.own-${k}`, add(k)]));
    expect(option('targeted', lines(3)).summary).toMatch(/^Renewed: ([^,]+, ){3}[^,]+$/);
    expect(option('targeted', lines(3)).summary).not.toContain('more');
    expect(option('targeted', lines(5)).summary).toMatch(/ and 2 more$/);
    const none = { change: 'remove', reason: 'not needed' };
    expect(option('targeted', { 'scope.line.part-shaft': none }).summary).toBe('Nothing is renewed');
  });
});

describe('the head of a quote', () => {
  test('says whose it is, for whom, and how long it holds', () => {
    expect(
      quote({ 'customer.name': 'Ada', 'complaint.words': 'Slips', 'vehicle.make': 'Veldt' }),
    ).toMatchObject({
      shop: { name: 'Shop', address: 'Street 1', phone: '00 1' },
      job: { number: 7, unit: four.name, vehicle: 'Veldt', customer: 'Ada', complaint: 'Slips' },
      date: '2026-03-06',
      validUntil: '2026-04-05',
      finding: 'Found',
      couldChange: ['a'],
    });
    expect(quote().job).toMatchObject({ customer: '', complaint: '' });
  });
  test.each<[Record<string, Json>, string]>([
    [{}, 'Vehicle not recorded'],
    [{ 'vehicle.make': 'Veldt', 'vehicle.model': 'Ombra', 'vehicle.year': 2009 }, 'Veldt Ombra 2009'],
    [{ 'vehicle.model': 'Ombra' }, 'Ombra'],
    [{ 'vehicle.bare': true, 'vehicle.make': 'Veldt' }, 'Bare unit'],
  ])('%j is %s', (values, name) => expect(vehicleName(stateFromValues(values))).toBe(name));
});

describe('what a repair could miss is the probability of every cause it does not cure', () => {
  const risk = (id: 'targeted' | 'full', about: Partial<Cause> & { id?: string }, values = {}) =>
    option(id, values, diagnosis([cause(about.id ?? 'c', 0.6, about), cause('fluid-low', 0.4)])).missRisk;
  test('a part that is renewed is cured, one that is only measured is not', () => {
    expect(risk('targeted', { part: 'shaft' })).toBe(0);
    expect(risk('full', { part: 'shaft' })).toBe(0.6);
  });
  test('the kit renews what it holds', () => {
    expect(risk('full', { part: 'in-kit' })).toBe(0);
    expect(risk('targeted', { part: 'in-kit' })).toBe(0.6);
    expect(risk('full', { part: 'lining-a' })).toBe(0.6);
  });
  test('a sticking valve of the valve body is cured by cleaning it', () => {
    expect(risk('full', { part: 'valve' })).toBe(0);
    expect(risk('targeted', { part: 'valve' })).toBe(0.6);
  });
  test('an element without a part is cured by all of its linings', () => {
    const renew = (id: string) => ({
      [`scope.line.${id}`]: { change: 'add', part: id, action: 'replace', reason: 'r' },
    });
    const key = (id: string) => ({ [`scope.line.part-${id}`]: Object.values(renew(id))[0]! });
    expect(risk('targeted', { element: 'high' })).toBe(0.6);
    expect(risk('targeted', { element: 'high' }, key('lining-a'))).toBe(0.6);
    expect(risk('targeted', { element: 'high' }, { ...key('lining-a'), ...key('lining-b') })).toBe(0);
    expect(risk('targeted', { element: 'reverse' })).toBe(0.6);
  });
});

describe('words', () => {
  const step = (words: string, plain: string | null, element: string | null = null, slots = ['seen']) => ({
    words,
    plain,
    element,
    slots,
  });
  const state = stateFromValues({});
  test('a chain is told in one breath, what struck several elements alike said once', () => {
    const chain = [
      step('Seal torn', null),
      step('x', 'the oil of {e} leaked away', 'high'),
      step('x', 'the oil of {e} leaked away', 'reverse'),
      step('silent', null),
      step('y', 'it burnt'),
    ];
    const one = cause('a', 0.9, { chain: chain as never });
    expect(findingWords(unit, state, diagnosis([one, cause('b', 0.1)]))).toBe(
      'What failed first: seal torn. As a result the oil of high clutch and reverse clutch leaked away and it burnt.',
    );
    expect(findingWords(unit, state, diagnosis([cause('a', 0.9)]))).toBe(
      'What probably failed first: cause a.',
    );
  });
  test('what nobody has seen is told as a guess', () => {
    const chain = [
      step('Seal torn', null, null, []),
      step('x', 'it burnt'),
      step('y', 'the oil was burnt', null, []),
    ];
    expect(findingWords(unit, state, diagnosis([cause('a', 0.9, { chain: chain as never })]))).toBe(
      'What probably failed first: seal torn. As a result it burnt. Probably the oil was burnt as well; nobody has seen that yet.',
    );
  });
  test('a code about a gear is not an order for a solenoid, and that is said; one that is the cause is not excused', () => {
    const codes = (kind: string, more: Record<string, string> = {}) =>
      stateFromValues({ 'codes.scan': 'these', 'codes.list.P0732': { kind, ...more } });
    const told = (s: ReturnType<typeof codes>, id = 'a') =>
      findingWords(unit, s, diagnosis([cause(id, 0.9)]));
    expect(told(codes('rationality'))).toMatch(/a new solenoid alone would not cure it\.$/);
    expect(told(codes('rationality'), 'S2:electrical')).not.toMatch(/solenoid alone/);
    expect(told(codes('electrical'))).not.toMatch(/solenoid alone/);
    expect(told(codes('rationality', { cleared: 'before' }))).not.toMatch(/solenoid alone/);
  });
  test('what was committed as contributing is told besides, as a guess where nobody has seen it', () => {
    const commit = stateFromValues({
      'cause.commit': { cause: 'a', contributing: ['b', 'c'], reason: 'two faults' },
    });
    const causes = [
      cause('a', 0.9),
      cause('b', 0.05, { chain: [step('B', null)] as never }),
      cause('c', 0.02),
    ];
    const told = findingWords(unit, commit, diagnosis(causes));
    expect(told).toContain('Found besides: cause b. Probably besides: cause c.');
    expect(findingWords(unit, state, diagnosis(causes))).not.toMatch(/besides/);
  });
  test('what can hurt somebody is told to the customer before anything else', () => {
    const moves = stateFromValues({
      'grid.N.customer': { any: { behaviours: ['moves'], when: ['intermittent'] } },
    });
    expect(cautionsFor(moves)).toEqual([
      expect.stringMatching(/may move although Park or Neutral/),
      expect.stringMatching(/will stick again/),
    ]);
    expect(cautionsFor(stateFromValues({}))).toEqual([]);
  });
  test('nothing is determined: the three likeliest are named, in the order they stand', () => {
    const open = diagnosis(
      ['a', 'b', 'c', 'd'].map((id) => cause(id, 0.25)),
      { undetermined: true },
    );
    expect(findingWords(unit, state, open)).toContain('Still possible: cause a; cause b; cause c. Before');
    expect(standingCause(state, open)).toBeNull();
    expect(standingCause(state, diagnosis([]))).toBeNull();
  });
  test('nothing is determined: what is nearly sure and what was found are said all the same, and who may have done it', () => {
    const causes = [
      cause('a', 0.9, { chain: [step('A', null), step('plates welded', 'plates welded')] as never }),
      cause('other', 0.05),
      cause('b', 0.05),
    ];
    const groups = [
      { words: 'The high clutch does not let go', probability: 0.97 },
      { words: 'Line pressure is too low', probability: 0.9 },
    ] as never;
    const told = (more: Partial<Diagnosis>) =>
      findingWords(unit, state, diagnosis(causes, { undetermined: true, groups, ...more }));
    expect(told({})).toContain(
      'Most probably the high clutch does not let go. We found: plates welded. Still possible: cause a; cause b. Before',
    );
    const upstream = ['Seal torn', 'Valve sticks'].map((words) => ({ words })) as never;
    expect(told({ upstream })).toContain('Still possible: seal torn; valve sticks. Before');
    expect(told({ groups: [] })).not.toContain('Most probably');
  });
  test('committed although not determined, what led to it or the doubt itself is said', () => {
    const commit = (id: string) => stateFromValues({ 'cause.commit': { cause: id, reason: 'r' } });
    const causes = [cause('a', 0.5), cause('b', 0.4)];
    const upstream = ['Wear', 'Heat', 'Water', 'Age'].map((words) => ({ words })) as never;
    const doubt = 'We are not fully certain of the first cause and say so.';
    const told = (id: string, more: Partial<Diagnosis>) =>
      findingWords(unit, commit(id), diagnosis(causes, more));
    expect(told('a', { undetermined: true, upstream })).toContain('possible are: wear; heat; water.');
    expect(told('b', { undetermined: true, upstream })).toContain(doubt);
    expect(told('a', { undetermined: true })).toContain(doubt);
    expect(told('a', { upstream })).toBe('What probably failed first: cause a.');
    expect(standingCause(commit('b'), diagnosis(causes))!.id).toBe('b');
    expect(standingCause(commit('gone'), diagnosis(causes))).toBeNull();
  });
  test('what could still change: other likely causes, and the two most telling checks nobody made', () => {
    const causes = [cause('a', 0.5), cause('b', 0.3), cause('c', 0.05), cause('d', 0.06), cause('e', 0.09)];
    const check = (words: string, gain: number) => ({ words, gain });
    const nextChecks = [
      check('Cut it', 0.3),
      check('Weak', 0.05),
      check('Feel It', 0.2),
      check('Third', 0.1),
    ];
    expect(couldChange(diagnosis(causes, { nextChecks: nextChecks as never }))).toEqual([
      'Cause b (30 % likely at this point).',
      'Cause d (6 % likely at this point).',
      'Not yet done: cut it.',
      'Not yet done: feel it.',
    ]);
  });
});
