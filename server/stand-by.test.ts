import { randomUUID } from 'node:crypto';
import { changesSince, policiesOf, scoper } from '@/core/scope';
import { inTransaction } from './db';
import { appendEntries } from './entries';
import { jobByNumber } from './jobs';
import { knowledge, rules } from './library';
import { makeQuote } from './quote-making';
import { shopOf } from './shop';
import { closePool, inDatabase, jobWith, someone } from '@/tests/test-database';

afterAll(closePool);

const job = (number: number) => inDatabase((c) => jobByNumber(c, number));

test('whoever makes a quote stands by its scopes, once for the same', async () => {
  const { number } = await jobWith({ 'part.sun-shell.condition': { is: 'failed' } });
  const owner = await someone('owner');
  await inTransaction((c) => makeQuote(c, number, owner));
  const first = await job(number);
  const slots = Object.keys(first.state).filter((s) => s.startsWith('scope.made.'));
  expect(slots.sort()).toEqual(['scope.made.exchange', 'scope.made.full', 'scope.made.targeted']);
  expect(first.state['scope.made.targeted']).toMatchObject({ by: owner.name });
  expect(JSON.stringify(first.state['scope.made.targeted']!.value)).toContain('part-sun-shell replace 1');
  await inTransaction((c) => makeQuote(c, number, owner));
  expect((await job(number)).lastSeq).toBe(first.lastSeq);
});

test('what is found afterwards is a difference to what was quoted', async () => {
  const { number, who } = await jobWith({ 'part.sun-shell.condition': { is: 'failed' } });
  const owner = await someone('owner');
  await inTransaction((c) => makeQuote(c, number, owner));
  const worn = { id: randomUUID(), slot: 'part.rear-carrier.condition', value: { is: 'failed' } };
  await inTransaction((c) => appendEntries(c, number, who, [worn]));
  const { unit, state } = await job(number);
  const { terms } = await inDatabase(shopOf);
  const policies = policiesOf(state, terms.policies);
  const scope = scoper(unit, { rules, knowledge }, { state, policies, causes: [] }).scope('full');
  const changes = changesSince(unit, state, scope).map((c) => [c.key, c.before, c.now]);
  expect(changes).toContainEqual(['part-rear-carrier', null, 'replace']);
});
