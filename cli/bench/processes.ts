import shop from '@/data/demo/shop.json';
import { signIn } from '../sign-in';
import type { Figure } from './figure';
import { served } from './served';

const AT_ONCE = 24;
const WARM_UP_MS = 4000;
const MEASURED_MS = 15_000;
/** Whoever asks shares the machine: on two cores a second process cannot double what is answered. */
const MOST_SHARE = 0.85;

/** What a second server process adds: pages and the board asked for as fast as they come, from one process and from two. */
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
          const path = turn % 3 === 0 ? '/api/jobs' : `/jobs/${1001 + (turn % 12)}/teardown`;
          const answer = await fetch(base + path, { headers: { cookie } });
          await answer.arrayBuffer();
          if (!answer.ok) throw new Error(`${path} answered ${answer.status}.`);
          answers++;
        }
      });
      await new Promise((resolve) => setTimeout(resolve, WARM_UP_MS));
      const before = answers;
      await Promise.all(asking);
      return ((answers - before) * 1000) / MEASURED_MS;
    },
    undefined,
    count,
  );
}
