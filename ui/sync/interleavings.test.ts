import 'fake-indexeddb/auto';
import fc from 'fast-check';
import { idle, shown, World } from '@/tests/sync-world';
import type { Device, Fault, Tab } from '@/tests/sync-world';
import type { JobView } from './view';

/**
 * Random stories: a tablet that three people share, one after the other, and a PC of one of them. They write, clear, lose
 * answers, poll late, are closed in the middle, find their session ended, sign out, and leave pages of theirs open while
 * another works. Afterwards, with the network back and everybody signed in once more: every screen shows what the server
 * has, everything written is there once and under its writer's name, and nothing waits. Twice: from a fixed seed, and
 * from one of today's.
 */
const JOBS = [1, 2];
const SLOTS = ['fluid.level', 'complaint.words', 'grid.D2'];
const PEOPLE = ['Mira', 'Ivo', 'Tobin'];
const RUNS = 50;
const SEEDS = [20261125, Date.now() % 2 ** 31];

type Step =
  | { do: 'write'; where: number; job: number; slot: number; clear: boolean }
  | { do: 'fault'; kind: Fault }
  | { do: 'tick'; where: number }
  | { do: 'reopen'; where: number }
  | { do: 'ends' }
  | { do: 'signs-out' }
  | { do: 'signs-in'; who: number; closes: boolean }
  | { do: 'rest' };

/** The tablet's first tab, its second, the PC's. */
const where = fc.nat(2);
const step: fc.Arbitrary<Step> = fc.oneof(
  {
    weight: 7,
    arbitrary: fc.record({
      do: fc.constant('write' as const),
      where,
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
  { weight: 2, arbitrary: fc.record({ do: fc.constant('tick' as const), where }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('reopen' as const), where }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('ends' as const) }) },
  { weight: 1, arbitrary: fc.record({ do: fc.constant('signs-out' as const) }) },
  {
    weight: 2,
    arbitrary: fc.record({ do: fc.constant('signs-in' as const), who: fc.nat(2), closes: fc.boolean() }),
  },
  { weight: 2, arbitrary: fc.record({ do: fc.constant('rest' as const) }) },
);

interface Screen {
  tab: Tab;
  views: JobView[];
}

interface Written {
  job: number;
  slot: string;
  value: string | null;
  by: string;
}

class Story {
  readonly world = new World();
  readonly tablet = this.world.device('Mira');
  private readonly devices = [this.tablet, this.tablet, this.world.device('Ivo')];
  readonly screens: Screen[] = [];
  readonly written: Written[] = [];

  async begin(): Promise<void> {
    await this.tablet.signIn('Mira');
    for (const k of [0, 1, 2]) this.screens[k] = await this.open(this.devices[k]!);
  }

  async open(device: Device, user = device.session ?? device.user): Promise<Screen> {
    const tab = await device.tab(user);
    const views: JobView[] = [];
    for (const job of JOBS) views.push(await tab.show(job));
    return { tab, views };
  }

  async go(s: Step): Promise<void> {
    const { world, tablet, screens } = this;
    if (s.do === 'write') this.write(screens[s.where]!, s);
    else if (s.do === 'fault') world.server.fault = () => s.kind;
    else if (s.do === 'tick') await screens[s.where]!.tab.tick();
    else if (s.do === 'rest') await idle();
    else if (s.do === 'ends') tablet.session = null;
    else if (s.do === 'signs-out') {
      // What was typed is kept before a page goes: the write has reached the store.
      await idle();
      if (tablet.session) await tablet.signOut();
    } else if (s.do === 'signs-in') {
      await idle();
      await this.signIn(PEOPLE[s.who]!, s.closes);
    } else {
      await idle();
      screens[s.where]!.tab.close();
      // Without a session no page is drawn; what the browser kept is for whoever was here last.
      screens[s.where] = await this.open(this.devices[s.where]!);
    }
  }

  /** Signs in at the tablet: its first tab is the new person's; the second one may still show who was here before. */
  async signIn(who: string, closes: boolean): Promise<void> {
    const { tablet, screens } = this;
    for (const k of closes ? [0, 1] : [0]) screens[k]!.tab.close();
    await idle();
    await tablet.signIn(who);
    for (const k of closes ? [0, 1] : [0]) screens[k] = await this.open(tablet, who);
  }

  private write({ tab, views }: Screen, s: Extract<Step, { do: 'write' }>): void {
    if (!tab.isOpen) return;
    const value = s.clear ? null : `${tab.user} ${this.written.length}`;
    views[s.job]!.write([[SLOTS[s.slot]!, value]]);
    this.written.push({ job: JOBS[s.job]!, slot: SLOTS[s.slot]!, value, by: tab.user });
  }

  /** The network is back, and everybody who used the tablet comes to it once more. */
  async end(): Promise<void> {
    this.world.server.fault = () => null;
    await idle();
    for (const who of PEOPLE) {
      await this.signIn(who, true);
      await this.world.quiet();
    }
  }

  check(): void {
    for (const [k, job] of JOBS.entries()) {
      const entries = this.world.server.of(job);
      expect(new Set(entries.map((e) => e.id)).size).toBe(entries.length);
      for (const { value, by } of entries)
        if (value !== null) expect(`${value as string} `).toContain(`${by} `);
      const truth = Object.fromEntries(
        Object.entries(this.world.server.state(job)).map(([slot, v]) => [slot, v.value]),
      );
      for (const { views, tab } of this.screens.filter((s) => s.tab.isOpen)) {
        expect(shown(views[k]!)).toEqual(truth);
        expect(tab.engine.read()).toMatchObject({ waiting: 0, connection: 'online', aside: [] });
      }
      // The last word of each person in each slot is in the record; an unsent one may have been replaced by a later.
      for (const by of PEOPLE)
        for (const slot of SLOTS) {
          const last = this.written.filter((w) => w.job === job && w.slot === slot && w.by === by).at(-1);
          if (!last) continue;
          const theirs = entries.filter((e) => e.by === by && e.slot === slot).map((e) => e.value);
          expect(theirs).toContain(last.value);
        }
    }
  }
}

test.each(SEEDS)(
  'however people, writes, retries and reloads fall, nothing is lost, doubled or under a wrong name (seed %i)',
  async (seed) => {
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 6, maxLength: 40 }), async (steps) => {
        const story = new Story();
        await story.begin();
        for (const s of steps) await story.go(s);
        await story.end();
        story.check();
        expect(await story.tablet.waitingHere()).toEqual([]);
        story.world.tabs.forEach((tab) => tab.close());
      }),
      { numRuns: RUNS, seed, endOnFailure: true },
    );
  },
  240_000,
);
