import { stateFromValues } from '@/core/case';
import { cause, diagnosis } from '@/tests/fixtures/paper';
import { standingCause, standingCauses } from './standing-causes';

test('a job stands on the committed cause, also a doubted one; on the leading one where it is determined; else on none', () => {
  const commit = (id: string) => stateFromValues({ 'cause.commit': { cause: id, reason: 'r' } });
  const causes = [cause('a', 0.5), cause('b', 0.4)];
  expect(standingCause(commit('b'), diagnosis(causes, { undetermined: true }))!.id).toBe('b');
  expect(standingCause(commit('gone'), diagnosis(causes))).toBeNull();
  expect(standingCause(stateFromValues({}), diagnosis(causes))!.id).toBe('a');
  expect(standingCause(stateFromValues({}), diagnosis(causes, { undetermined: true }))).toBeNull();
  expect(standingCause(stateFromValues({}), diagnosis([]))).toBeNull();
});

test('a scope stands on the committed cause and what contributed, each once; on the leading one while none is', () => {
  const causes = [cause('a', 0.5), cause('b', 0.4), cause('c', 0.1)];
  const commit = (value: object) => stateFromValues({ 'cause.commit': { reason: 'r', ...value } as never });
  const ids = (state: ReturnType<typeof commit>, found = diagnosis(causes)) =>
    standingCauses(state, found).map((c) => c.id);
  expect(ids(commit({ cause: 'b', contributing: ['c', 'b', 'gone'] }))).toEqual(['b', 'c']);
  expect(ids(commit({ cause: 'gone', contributing: ['c'] }))).toEqual([]);
  expect(ids(stateFromValues({}))).toEqual(['a']);
  expect(ids(stateFromValues({}), diagnosis(causes, { undetermined: true }))).toEqual([]);
});
