import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { idle, shown, World } from '@/tests/sync-world';
import type { Fault, Tab } from '@/tests/sync-world';
import type { JobView } from './view';

/**
 * Random stories from a seed: two devices, one with two tabs, write, clear, lose answers, poll late, are closed in the
 * middle and opened again. Afterwards, with the network back: every screen shows what the server has, everything written
 * is there once, and nothing waits.
 */
const JOBS = [1, 2];
const SLOTS = ['fluid.level', 'complaint.words', 'grid.D2'];
const RUNS = 300;
const SEED = 20261125;

type Step =
  | { do: 'write'; who: number; job: number; slot: number; clear: boolean }
  | { do: 'fault'; kind: Fault }
  | { do: 'tick'; who: number }
  | { do: 'reopen'; who: number }
  | { do: 'rest' };

const who = fc.nat(2);
const step: fc.Arbitrary<Step> = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.record({
      do: fc.constant('write' as const),
      who,
      job: fc.nat(1),
      slot: fc.nat(2),
      clear: fc.boolean(),
    }),
  },
  {
    weight: 2,
    arbitrary: fc.record({
      do: fc.constant('fault' as const),
      kind: fc.constantFrom<Fault>(null, null, 'cut', 'lost', 'failed', 'busy', 'signed-out'),
    }),
  },
  { weight: 2, arbitrary: fc.record({ do: fc.constant('tick' as const), who }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('reopen' as const), who }) },
  { weight: 2, arbitrary: fc.record({ do: fc.constant('rest' as const) }) },
);

interface Screen {
  tab: Tab;
  views: JobView[];
}

test('however writes, retries, polls and reloads fall, nothing is lost or doubled and all screens agree', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(step, { minLength: 6, maxLength: 40 }), async (steps) => {
      const world = new World();
      const [mira, ivo] = [world.device('Mira'), world.device('Ivo')];
      const devices = [mira, mira, ivo];
      const open = async (k: number): Promise<Screen> => {
        const tab = await devices[k]!.tab();
        const views: JobView[] = [];
        for (const job of JOBS) views.push(await tab.show(job));
        return { tab, views };
      };
      const screens = [await open(0), await open(1), await open(2)];
      const written: { job: number; slot: string; value: string | null; by: string }[] = [];
      let count = 0;
      for (const s of steps) {
        if (s.do === 'write') {
          const value = s.clear ? null : `v${++count}`;
          screens[s.who]!.views[s.job]!.write([[SLOTS[s.slot]!, value]]);
          written.push({ job: JOBS[s.job]!, slot: SLOTS[s.slot]!, value, by: devices[s.who]!.user });
        } else if (s.do === 'fault') world.server.fault = () => s.kind;
        else if (s.do === 'tick') await screens[s.who]!.tab.tick();
        else if (s.do === 'rest') await idle();
        else {
          // What was typed is kept before a tab can be closed: the write has reached the store.
          await idle();
          screens[s.who]!.tab.close();
          screens[s.who] = await open(s.who);
        }
      }
      world.server.fault = () => null;
      await world.quiet();
      for (const [k, job] of JOBS.entries()) {
        const entries = world.server.of(job);
        expect(new Set(entries.map((e) => e.id)).size).toBe(entries.length);
        const truth = Object.fromEntries(
          Object.entries(world.server.state(job)).map(([slot, v]) => [slot, v.value]),
        );
        for (const { views, tab } of screens) {
          expect(shown(views[k]!)).toEqual(truth);
          expect(tab.engine.read()).toMatchObject({ waiting: 0, connection: 'online', aside: [] });
        }
        // The last word of each person in each slot is in the record; an unsent one may have been replaced by a later.
        for (const by of ['Mira', 'Ivo'])
          for (const slot of SLOTS) {
            const last = written.filter((w) => w.job === job && w.slot === slot && w.by === by).at(-1);
            if (!last) continue;
            const mine = entries.filter((e) => e.by === by && e.slot === slot).map((e) => e.value);
            expect(mine).toContain(last.value);
          }
      }
      world.tabs.forEach((tab) => tab.close());
    }),
    { numRuns: RUNS, seed: SEED, endOnFailure: true },
  );
}, 120_000);
