import { stateFromValues } from '@/core/case';
import type { Diagnosis } from '@/core/diagnosis';
import { cause, diagnosis, paperUnit as unit } from '@/tests/fixtures/paper';
import { cautionsFor, couldChange, findingWords } from './words';

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
