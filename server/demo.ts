import { readFileSync } from 'node:fs';
import path from 'node:path';
import { EMPTY_STATE, fold } from '@/core/case';
import type { Entry, Json } from '@/core/case';
import { addWorkingDays } from '@/core/quote';
import { checkSlot } from '@/core/validation';
import jobsFile from '@/data/demo/jobs.json';
import shopFile from '@/data/demo/shop.json';
import type { Client } from './db';
import { insertEntries } from './entries';
import { createJob, saveState } from './jobs';
import { inspect } from './library';
import { savePhoto } from './photos';
import { reencode } from './pictures';
import { answerQuote, makeQuote, sendQuote } from './quotes';
import { today } from './reason';
import { createUser } from './users';
import type { User } from './users';

interface DemoJob {
  unit: string;
  by: string;
  daysAgo: number;
  findings: Record<string, Json>;
  photos: { id: string; file: string; about: string; caption: string; marker: { x: number; y: number } }[];
  quote?: { send?: boolean; accept?: string; name?: string; daysAgo: number };
}

const PEOPLE = shopFile.people as (User & { password: string })[];
const JOBS = jobsFile.jobs as unknown as DemoJob[];

/** Fills an empty database with the demo shop; a database that holds people is left alone. */
export async function loadDemo(client: Client): Promise<boolean> {
  const { rows } = await client.query('SELECT 1 FROM users LIMIT 1');
  if (rows.length) return false;
  for (const { password, ...user } of PEOPLE) await createUser(client, user, password);
  for (const job of JOBS) await loadJob(client, job);
  return true;
}

async function loadJob(client: Client, demo: DemoJob): Promise<void> {
  const by = PEOPLE.find((p) => p.id === demo.by)!;
  const job = await createJob(client, demo.unit, by.id);
  const start = Date.now() - demo.daysAgo * 86_400_000;
  const findings: [string, Json][] = [
    ...Object.entries(demo.findings),
    ...demo.photos.map(({ id, about, caption, marker }): [string, Json] => [
      `photo.${id}`,
      { about, caption, marker },
    ]),
  ];
  const entries = findings.map(([slot, value], k): Entry => {
    const written = slot === 'job.promised' ? addWorkingDays(today(), Number(value)) : value;
    const [problem] = checkSlot(inspect(job.unit), slot, written);
    if (problem) throw new Error(`Demo job: ${slot}: ${problem.message}`);
    const id = `demo-${job.number}-${String(k + 1).padStart(4, '0')}`;
    return {
      id,
      seq: k + 1,
      by: by.name,
      at: new Date(start + k * 4000).toISOString(),
      slot,
      value: written,
    };
  });
  await insertEntries(client, job.id, by, entries);
  for (const photo of demo.photos) {
    const picture = readFileSync(path.join(process.cwd(), 'data', 'demo', 'photos', photo.file));
    await savePhoto(client, job.id, photo.id, (await reencode(picture))!, by);
  }
  await saveState(client, job, fold(EMPTY_STATE, entries), entries.length);
  if (!demo.quote) return;
  const owner = PEOPLE.find((p) => p.role === 'owner')!;
  const quote = await makeQuote(client, job.number, owner);
  const token = await sendQuote(client, job.number, quote.version, owner);
  if (demo.quote.accept) {
    await answerQuote(client, token, {
      kind: 'accept',
      option: demo.quote.accept,
      name: demo.quote.name,
      message: '',
    });
  }
}
