import { spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { OURS, signIn } from '../sign-in';
import { isRoot, must } from '../system';
import { errorWords } from './error-words';
import { withStack } from './stack';

export interface DiskFigures {
  /** Entries the record acknowledged before the disk was full, and those of them it has afterwards. */
  acknowledged: number;
  there: number;
  /** What writes were told once nothing more went on the disk, and how often. */
  told: Record<string, number>;
  /** What a photo was told, with room left for entries alone. */
  photo: string;
  /** 5xx that say neither "busy" nor "full". */
  serverErrors: number;
  /** Pages that did not open while the disk was full. */
  pagesFailed: number;
  /** How soon a write was taken again once there was room, ms. */
  againMs: number;
}

const SMALL = '64m';
const LARGE = '512m';
const BATCH = 100;
/** Writes tried on a full disk. */
const MORE = 20;
const PATIENCE_MS = 30_000;

/** The database's disk is a small one, and is filled. Needs root, to have such a disk; null without. */
export async function fillDisk(): Promise<DiskFigures | null> {
  if (!isRoot()) return null;
  const folder = mkdtempSync(path.join(tmpdir(), 'pelvik-disk-'));
  must('mount', ['-t', 'tmpfs', '-o', `size=${SMALL},mode=0700`, 'tmpfs', folder]);
  must('chown', ['postgres', folder]);
  try {
    return await withStack(({ bases: [base] }) => fill(base, folder), folder);
  } finally {
    spawnSync('umount', [folder]);
    rmdirSync(folder);
  }
}

async function fill(base: string, folder: string): Promise<DiskFigures> {
  const cookie = await signIn(base, 'ivo');
  const ask = async (method: string, url: string, body?: string | Uint8Array<ArrayBuffer>) => {
    const answer = await fetch(base + url, { method, headers: { ...OURS, cookie }, body });
    return { status: answer.status, text: await answer.text() };
  };
  const figures: DiskFigures = {
    acknowledged: 0,
    there: 0,
    told: {},
    photo: '',
    serverErrors: 0,
    pagesFailed: 0,
    againMs: 0,
  };
  const jobs: number[] = [];
  const send = async () => {
    // What cannot be compressed, in several jobs: one holds no more than 24 MB.
    const entries = Array.from({ length: BATCH }, () => ({
      id: crypto.randomUUID(),
      slot: 'complaint.words',
      value: randomBytes(1400).toString('base64'),
    }));
    const answer = await ask('POST', `/api/jobs/${jobs.at(-1)!}/entries`, JSON.stringify({ entries }));
    const refused =
      answer.status === 200 ? (JSON.parse(answer.text) as { refused: unknown[] }).refused.length : 0;
    if (answer.status === 200) figures.acknowledged += BATCH - refused;
    if (answer.status >= 500 && answer.status !== 503) figures.serverErrors++;
    return { ...answer, refused };
  };
  const begin = async () => {
    const made = await ask('POST', '/api/jobs', '{"unit":"ostrel-four"}');
    if (made.status === 201 || made.status === 200)
      jobs.push((JSON.parse(made.text) as { number: number }).number);
    return made;
  };
  await begin();
  figures.photo = errorWords(
    (await ask('PUT', `/api/jobs/${jobs[0]}/photos/${crypto.randomUUID()}`, new Uint8Array(8))).text,
  );
  for (let full = 0; full < MORE; ) {
    const answer = await send();
    if (answer.refused) await begin();
    if (answer.status === 200) continue;
    full++;
    const said = `${answer.status} ${errorWords(answer.text)}`;
    figures.told[said] = (figures.told[said] ?? 0) + 1;
  }
  for (const url of ['/', `/jobs/${jobs[0]}/intake`, '/api/jobs', `/jobs/1003/quote`])
    if ((await ask('GET', url)).status !== 200) figures.pagesFailed++;
  must('mount', ['-o', `remount,size=${LARGE}`, folder]);
  const roomAgain = performance.now();
  await begin();
  while ((await send()).status !== 200 && performance.now() - roomAgain < PATIENCE_MS)
    await new Promise((resolve) => setTimeout(resolve, 100));
  figures.againMs = Math.round(performance.now() - roomAgain);
  for (const job of jobs) figures.there += await countOf(ask, job);
  return figures;
}

async function countOf(
  ask: (method: string, url: string) => Promise<{ text: string }>,
  job: number,
): Promise<number> {
  let [count, after] = [0, 0];
  for (;;) {
    const { entries } = JSON.parse((await ask('GET', `/api/jobs/${job}/entries?after=${after}`)).text) as {
      entries: { seq: number }[];
    };
    if (entries.length === 0) return count;
    count += entries.length;
    after = entries.at(-1)!.seq;
  }
}
