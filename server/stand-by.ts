import { randomUUID } from 'node:crypto';
import { sameValue } from '@/core/case';
import type { Json } from '@/core/case';
import type { Client } from './db';
import { appendEntries } from './entries';
import { scopesOfJob } from './experience';
import type { Job } from './jobs';
import type { User } from './users';

/** Whoever quotes a scope stands by it: what changes it afterwards is shown as a difference to take or leave. */
export async function standByScopes(client: Client, job: Job, user: User): Promise<void> {
  const writes = (await scopesOfJob(client, job))
    .map(([slot, made]) => ({ id: randomUUID(), slot, value: made as unknown as Json }))
    .filter(({ slot, value }) => !sameValue(job.state[slot]?.value ?? null, value));
  if (writes.length) await appendEntries(client, job.number, user, writes);
}
