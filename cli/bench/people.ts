import { readFileSync } from 'node:fs';
import { randomUUID } from 'node:crypto';
import shop from '@/data/demo/shop.json';
import { OURS, signIn } from '../sign-in';
import type { Figure } from './figure';
import { quantile } from './figure';
import type { Served } from './served';

const PEOPLE = 200;
const JOBS = 12;
const EVERY_MS = 5000;
const WARM_UP_S = 20;
const SECONDS = 120;

/** Two hundred people on one server: every five seconds each opens a page or sends an entry. */
export async function people({ base, pid }: Served): Promise<Figure[]> {
  const cookies: string[] = [];
  // One after the other: a flood of sign-ins from one address is slowed down, as it should be.
  for (let k = 0; k < PEOPLE; k++) cookies.push(await signIn(base, shop.people[k % 3]!.id));
  const jobs = await Promise.all(Array.from({ length: JOBS }, () => filledJob(base, cookies[0]!)));
  const pages: number[] = [];
  const entries: number[] = [];
  let errors = 0;
  let measuring = false;
  const until = Date.now() + (WARM_UP_S + SECONDS) * 1000;
  const work = async (k: number) => {
    // Not all at the same moment: people do not march.
    await rest((EVERY_MS * k) / PEOPLE);
    for (let turn = 0; Date.now() < until; turn++) {
      const begun = performance.now();
      const job = jobs[(k + turn) % JOBS]!;
      const page = (k + turn) % 2 === 0;
      const good = page ? await openPage(base, cookies[k]!, job) : await sendEntry(base, cookies[k]!, job);
      const took = performance.now() - begun;
      if (measuring) {
        (page ? pages : entries).push(took);
        if (!good) errors++;
      }
      await rest(Math.max(0, EVERY_MS - took));
    }
  };
  const working = Promise.all(cookies.map((_, k) => work(k)));
  await rest(WARM_UP_S * 1000);
  const before = memoryOf(pid);
  measuring = true;
  await working;
  const after = memoryOf(pid);
  const of = `${PEOPLE} people, ${pages.length} pages and ${entries.length} entries in ${SECONDS} s`;
  return [
    {
      name: 'job page with two hundred people, 95th percentile',
      value: quantile(pages, 0.95),
      unit: 'ms',
      budget: 250,
      of,
    },
    {
      name: 'acknowledgement with two hundred people, 95th percentile',
      value: quantile(entries, 0.95),
      unit: 'ms',
      budget: 250,
      of,
    },
    { name: 'errors with two hundred people', value: errors, unit: 'count', budget: 0, of },
    {
      name: 'memory of the server after against before',
      value: after / before,
      unit: 'times',
      budget: 1.25,
      of: `${Math.round(before / 1024)} MB, then ${Math.round(after / 1024)} MB`,
    },
  ];
}

const rest = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** A job like those of a shop: a complaint, two packs looked at. */
async function filledJob(base: string, cookie: string): Promise<number> {
  const headers = { ...OURS, cookie };
  const made = await fetch(`${base}/api/jobs`, { method: 'POST', headers, body: '{"unit":"ostrel-four"}' });
  const { number } = (await made.json()) as { number: number };
  const faces = ['forward', 'low-reverse'].flatMap((pack) =>
    Array.from({ length: 10 }, (_, k) => ['a', 'b'].map((f) => `plate.${pack}.${k}.${f}`)).flat(),
  );
  const entries = [
    { slot: 'complaint.words', value: 'Slips in third when hot, shudders at light throttle.' },
    { slot: 'grid.D2.shop', value: { hot: { behaviours: ['slips'] } } },
    ...faces.map((slot) => ({ slot, value: 'not-assessable' })),
  ].map((e) => ({ id: randomUUID(), ...e }));
  await fetch(`${base}/api/jobs/${number}/entries`, {
    method: 'POST',
    headers,
    body: JSON.stringify({ entries }),
  });
  return number;
}

async function openPage(base: string, cookie: string, job: number): Promise<boolean> {
  const answer = await fetch(`${base}/jobs/${job}/teardown`, { headers: { cookie } });
  return answer.ok && (await answer.text()).includes('</html>');
}

async function sendEntry(base: string, cookie: string, job: number): Promise<boolean> {
  const entries = [
    { id: randomUUID(), slot: 'unit.fluid.level', value: { is: Math.random() < 0.5 ? 'low' : 'full' } },
  ];
  const answer = await fetch(`${base}/api/jobs/${job}/entries`, {
    method: 'POST',
    headers: { ...OURS, cookie },
    body: JSON.stringify({ entries }),
  });
  await answer.arrayBuffer();
  return answer.ok;
}

/** Resident memory of a process, kB. */
function memoryOf(pid: number): number {
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]);
}
