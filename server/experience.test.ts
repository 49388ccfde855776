import type { Json } from '@/core/case';
import { inTransaction } from './db';
import { experienceOf } from './experience';
import { setClosed } from './jobs';
import { closePool, inDatabase, jobWith } from '@/tests/test-database';

afterAll(closePool);

const CAUSE = 'valve-3-4:sticking';
const ours = async () => (await inDatabase((c) => experienceOf(c, 'ostrel-four'))).causes[CAUSE] ?? 0;

async function closedJob(values: Record<string, Json>) {
  const { number, who } = await jobWith(values);
  const close = (closed: boolean) => inTransaction((c) => setClosed(c, number, closed, who));
  await close(true);
  return { close };
}

test('a closed job counts once its cause was looked at and found so; opened again it does not', async () => {
  const commit = { 'cause.commit': { cause: CAUSE, contributing: [], reason: 'it hangs' } };
  const found = { 'part.valve-3-4.moves': { is: 'stuck' } };
  const before = await ours();
  await closedJob(commit);
  await closedJob(found);
  expect(await ours()).toBe(before);
  const { close } = await closedJob({ ...commit, ...found });
  expect(await ours()).toBe(before + 1);
  await close(false);
  expect(await ours()).toBe(before);
});
