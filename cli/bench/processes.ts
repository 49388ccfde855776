import { Agent, get } from 'node:http';
import shop from '@/data/demo/shop.json';
import { signIn } from '../sign-in';
import type { Figure } from './figure';
import { served } from './served';

const AT_ONCE = 24;
const WARM_UP_MS = 4000;
const MEASURED_MS = 15_000;
/** Whoever asks shares the machine: on two cores a second process cannot double what is answered. */
const MOST_SHARE = 0.85;

/** What a shop asks for, in turn: the board, its cards, a job's record and its page. */
const ASKED = ['/', '/api/jobs', '/api/jobs/JOB/entries?after=0', '/jobs/JOB/teardown'];
/** Jobs of the demo shop, from the first. */
const JOBS = { first: 1001, count: 12 };

/** What a second server process adds: what a shop asks for, as fast as it comes, from one process and from two. */
export async function processes(): Promise<Figure[]> {
  const [one, two] = [await throughput(1), await throughput(2)];
  return [
    {
      name: 'time of an answer from two processes against one',
      value: one / two,
      unit: 'times',
      budget: MOST_SHARE,
      of: `${one.toFixed(0)} answers a second from one process, ${two.toFixed(0)} from two; ${AT_ONCE} asked at once`,
    },
  ];
}

/** Answers a second. */
function throughput(count: number): Promise<number> {
  return served(
    async ({ base }) => {
      const cookie = await signIn(base, shop.people[0]!.id);
      let answers = 0;
      const until = Date.now() + WARM_UP_MS + MEASURED_MS;
      const asking = Array.from({ length: AT_ONCE }, async (_, k) => {
        for (let turn = k; Date.now() < until; turn++) {
          const job = JOBS.first + (turn % JOBS.count);
          await ask(base + ASKED[turn % ASKED.length]!.replace('JOB', String(job)), cookie);
          answers++;
        }
      });
      const all = Promise.all(asking);
      await Promise.race([all, new Promise((resolve) => setTimeout(resolve, WARM_UP_MS))]);
      const before = answers;
      await all;
      return ((answers - before) * 1000) / MEASURED_MS;
    },
    undefined,
    count,
  );
}

/** Whoever asks shares the machine with who answers: no more is done with an answer than to see that it is one. */
const agent = new Agent({ keepAlive: true, maxSockets: AT_ONCE });

function ask(url: string, cookie: string): Promise<void> {
  return new Promise((resolve, reject) => {
    get(url, { agent, headers: { cookie } }, (answer) => {
      answer.resume();
      answer.once('error', reject);
      answer.once('end', () => {
        if (answer.statusCode === 200) resolve();
        else reject(new Error(`${url} answered ${answer.statusCode}.`));
      });
    }).once('error', reject);
  });
}
