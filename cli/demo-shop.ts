import { readFileSync } from 'node:fs';
import path from 'node:path';
import { EMPTY_STATE, fold } from '@/core/case';
import type { Entry, Json } from '@/core/case';
import { openDaysLater } from '@/core/schedule';
import { checkSlot } from '@/core/validation';
import { demoJobs } from '@/data/demo';
import type { DemoJob } from '@/data/demo';
import shopFile from '@/data/demo/shop.json';
import type { Client } from '@/server/db';
import { insertEntries } from '@/server/entries';
import { createJob, saveState, setClosed } from '@/server/jobs';
import { inspect } from '@/server/library';
import { savePhoto } from '@/server/photos';
import { reencode } from '@/server/pictures';
import { noteByHand } from '@/server/messages';
import { answerQuote } from '@/server/quote-answers';
import { linkQuote } from '@/server/quote-links';
import { makeQuote } from '@/server/quote-making';
import { addToShelf } from '@/server/shelf';
import { DEFAULT_TERMS, saveShop, shopNow } from '@/server/shop';
import { createUser } from '@/server/users';
import type { User } from '@/server/users';

const PEOPLE = shopFile.people as (User & { password: string })[];

/** Fills an empty database with the demo shop; a database that holds people is left alone. */
export async function loadDemo(client: Client): Promise<boolean> {
  const { rows } = await client.query('SELECT 1 FROM users LIMIT 1');
  if (rows.length) return false;
  for (const { password, ...user } of PEOPLE) await createUser(client, user, password);
  const owner = PEOPLE.find((p) => p.role === 'owner')!;
  await saveShop(client, 0, DEFAULT_TERMS, owner);
  for (const job of demoJobs()) await loadJob(client, job);
  return true;
}

async function loadJob(client: Client, demo: DemoJob): Promise<void> {
  const by = PEOPLE.find((p) => p.id === demo.by)!;
  const job = await createJob(client, demo.unit, by.id);
  const start = Date.now() - demo.daysAgo * 86_400_000;
  const findings: [string, Json][] = [
    ...Object.entries(demo.findings),
    ...(demo.promisedIn === undefined
      ? []
      : [
          [
            'job.promised',
            openDaysLater(
              DEFAULT_TERMS.calendar,
              `${shopNow(DEFAULT_TERMS).slice(0, 10)}T08:00`,
              demo.promisedIn,
            ).slice(0, 10),
          ] as [string, Json],
        ]),
    ...demo.photos.map(({ id, about, caption, marker }): [string, Json] => [
      `photo.${id}`,
      { about, caption, marker },
    ]),
  ];
  const entries = findings.map(([slot, value], k): Entry => {
    const [problem] = checkSlot(inspect(job.unit), slot, value);
    if (problem) throw new Error(`Demo job: ${slot}: ${problem.message}`);
    const id = `demo-${job.number}-${String(k + 1).padStart(4, '0')}`;
    return {
      id,
      seq: k + 1,
      by: by.name,
      at: new Date(start + k * 4000).toISOString(),
      slot,
      value,
    };
  });
  await insertEntries(client, job.id, by, entries);
  for (const photo of demo.photos) {
    const picture = readFileSync(path.join(process.cwd(), 'data', 'demo', 'photos', photo.file));
    await savePhoto(client, job.id, photo.id, (await reencode(picture))!, by);
  }
  await saveState(client, job, fold(EMPTY_STATE, entries), entries.length);
  const owner = PEOPLE.find((p) => p.role === 'owner')!;
  if (demo.quote) await loadQuote(client, job.number, demo.quote, owner);
  for (const [part, price] of Object.entries(demo.shelf ?? {}))
    await addToShelf(client, { job: job.number, part, price }, by);
  if (demo.closed) await setClosed(client, job.number, true, owner);
}

async function loadQuote(
  client: Client,
  job: number,
  { accept, send, name }: NonNullable<DemoJob['quote']>,
  owner: User,
): Promise<void> {
  const quote = await makeQuote(client, job, owner);
  if (!send && !accept) return;
  await noteByHand(client, job, quote.version, owner);
  const token = await linkQuote(client, job, quote.version, owner);
  if (accept) {
    await answerQuote(client, token, {
      kind: 'accept',
      option: accept,
      name,
      message: '',
    });
  }
}
