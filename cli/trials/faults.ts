import { chromium as browserType } from 'playwright-core';
import type { Browser, BrowserContext, Page, Route } from 'playwright-core';
import shop from '@/data/demo/shop.json';
import { LAUNCHED } from '../chromium-flags';
import { chromium, ensureDebian } from '../system';
import { dice } from '../dice';
import type { Dice } from '../dice';
import { LIMIT_MS } from './stack';
import type { Stack } from './stack';

export interface FaultFigures {
  faults: number;
  byKind: Record<string, number>;
  writes: number;
  acknowledged: number;
  /** Acknowledged, and not in the record. */
  lost: number;
  /** In the record more than once. */
  doubled: number;
  /** Screens that differ from the server at the end. */
  unequalScreens: number;
  stillWaiting: number;
  slowestAckMs: number;
  /** Acknowledgements that took over two seconds, with what had been done to the stack. */
  slowAcks: string[];
  /** Server processes that ended by themselves. */
  serversDied: number;
}

/** What the network between a browser and its server does. */
type Net = 'well' | 'cut' | 'lost' | 'slow' | 'reset' | 'twice';

/** A person at a browser, one pack open. */
interface Person {
  id: string;
  base: string;
  context: BrowserContext;
  page: Page;
  net: Net;
}

const PACK = '[data-subject="element.forward"]';
const SLOW_MS = 400;

/**
 * Two people in two browsers, each on a server process of its own, paint the same pack while everything between them
 * fails. What was acknowledged is held against the record, the screens against each other.
 */
export async function injectFaults(stack: Stack, count: number, seed: number): Promise<FaultFigures> {
  ensureDebian(chromium, ['chromium']);
  const browser = await browserType.launch(LAUNCHED);
  const random = dice(seed + 1);
  const figures: FaultFigures = {
    faults: 0,
    byKind: {},
    writes: 0,
    acknowledged: 0,
    lost: 0,
    doubled: 0,
    unequalScreens: 0,
    stillWaiting: 0,
    slowestAckMs: 0,
    slowAcks: [],
    serversDied: 0,
  };
  const acked = new Set<string>();
  try {
    const mira = await arrive(browser, stack.bases[0], 'mira', acked, figures);
    const job = await newJob(mira);
    const ivo = await arrive(browser, stack.bases[1], 'ivo', acked, figures);
    for (const person of [mira, ivo]) await openPack(person, job);
    const people = [mira, ivo];
    while (figures.faults < count) {
      const person = random.pick(people);
      await paint(person, random, figures);
      const kind = kindOf(figures.faults, random);
      await FAULTS[kind]({ stack, person, people, job, random });
      figures.faults++;
      figures.byKind[kind] = (figures.byKind[kind] ?? 0) + 1;
      if (random.chance(0.5)) await paint(random.pick(people), random, figures);
      if (figures.faults % 50 === 0) process.stderr.write(`${figures.faults} faults\n`);
    }
    figures.serversDied = stack.died();
    await settle(people, job, figures);
    await compare(people, job, acked, figures);
    return { ...figures, slowestAckMs: Math.round(figures.slowestAckMs) };
  } finally {
    await browser.close();
  }
}

async function arrive(
  browser: Browser,
  base: string,
  id: string,
  acked: Set<string>,
  figures: FaultFigures,
): Promise<Person> {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const person: Person = { id, base, context, page, net: 'well' };
  await context.route('**/api/jobs/*/entries', (route) => between(route, person));
  context.on('response', async (answer) => {
    if (answer.request().method() !== 'POST' || !answer.url().endsWith('/entries') || !answer.ok()) return;
    const sent = answer.request().postDataJSON() as { entries: { id: string }[] };
    const refused = await answer.json().then(
      (a: { refused: { id: string }[] }) => new Set(a.refused.map((r) => r.id)),
      // Cut off on its way: nothing was acknowledged.
      () => null,
    );
    if (refused) for (const e of sent.entries) if (!refused.has(e.id)) acked.add(e.id);
    figures.acknowledged = acked.size;
    const { startTime, responseEnd } = answer.request().timing();
    if (startTime <= 0 || responseEnd <= 0) return;
    figures.slowestAckMs = Math.max(figures.slowestAckMs, responseEnd);
    if (responseEnd > LIMIT_MS)
      figures.slowAcks.push(`${Math.round(responseEnd)} ms after ${figures.faults} faults, ${person.net}`);
  });
  const { password } = shop.people.find((p) => p.id === id)!;
  await page.goto(`${base}/signin`);
  await page.getByLabel('Name').fill(id);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(`${base}/`);
  return person;
}

/** The network between a browser and its server, as it is at this moment. */
async function between(route: Route, person: Person): Promise<void> {
  const ignore = () => undefined;
  switch (person.net) {
    case 'cut':
      return route.abort('internetdisconnected').catch(ignore);
    case 'reset':
      return route.abort('connectionreset').catch(ignore);
    case 'lost':
      await route.fetch().catch(ignore);
      return route.abort('connectionreset').catch(ignore);
    case 'twice':
      // The same request arrives again after its answer, as from an impatient proxy.
      await route.fetch().catch(ignore);
      return route.continue().catch(ignore);
    case 'slow':
      await new Promise((resolve) => setTimeout(resolve, SLOW_MS));
      return route.continue().catch(ignore);
    default:
      return route.continue().catch(ignore);
  }
}

async function newJob({ page, base }: Person): Promise<number> {
  const answer = await page.request.post(`${base}/api/jobs`, {
    headers: { 'x-pelvik': '1' },
    data: { unit: 'ostrel-four' },
  });
  return ((await answer.json()) as { number: number }).number;
}

async function openPack({ page, base }: Person, job: number): Promise<void> {
  await page.goto(`${base}/jobs/${job}/teardown`, { waitUntil: 'commit' }).catch(() => undefined);
  await page.getByRole('button', { name: /^7 Forward and overrun/ }).click({ timeout: 30_000 });
  const opener = page.locator(PACK).locator('button[aria-expanded]');
  await opener.waitFor({ timeout: 30_000 });
  if ((await opener.getAttribute('aria-expanded')) !== 'true') await opener.click({ timeout: 30_000 });
  await page.locator(PACK).getByRole('application').waitFor({ timeout: 30_000 });
}

/** A few faces painted by keys, wherever the cursor stands. */
async function paint({ page }: Person, random: Dice, figures: FaultFigures): Promise<void> {
  const pack = page.locator(PACK).getByRole('application');
  try {
    await pack.focus({ timeout: 5000 });
    for (let k = 1 + random.below(4); k > 0; k--) {
      await page.keyboard.press(random.chance(0.3) ? 'ArrowLeft' : String(random.below(9)));
      figures.writes++;
    }
  } catch {
    // The page is being reloaded: what was typed before is what counts.
  }
}

interface Scene {
  stack: Stack;
  person: Person;
  people: Person[];
  job: number;
  random: Dice;
}

const pause = (page: Page, milliseconds: number) => page.waitForTimeout(milliseconds);
const net =
  (kind: Net) =>
  async ({ person, random }: Scene) => {
    person.net = kind;
    await pause(person.page, 20 + random.below(80));
    if (random.chance(0.5)) person.net = 'well';
  };

const FAULTS = {
  'network cut': net('cut'),
  'answer lost': net('lost'),
  'socket reset': net('reset'),
  'slow and out of order': net('slow'),
  'sent twice': net('twice'),
  'fifty entries, cut in the middle': async ({ person, random }: Scene) => {
    const pack = person.page.locator(PACK);
    await pack
      .getByRole('button', { name: /^All alike/ })
      .click({ timeout: 5000 })
      .catch(() => undefined);
    person.net = random.pick(['cut', 'lost', 'reset'] as const);
    await pause(person.page, 50 + random.below(200));
    person.net = 'well';
  },
  'tablet reloaded offline': async ({ person, job }: Scene) => {
    await person.context.setOffline(true);
    await person.page.reload({ waitUntil: 'commit', timeout: 10_000 }).catch(() => undefined);
    await openPack(person, job).catch(() => undefined);
    await person.context.setOffline(false);
  },
  'page closed in the middle': async ({ person, job }: Scene) => {
    await person.page.close();
    person.page = await person.context.newPage();
    await openPack(person, job);
  },
  'server killed': async ({ stack, people, person }: Scene) => {
    await stack.killServer(people.indexOf(person) as 0 | 1);
  },
  'database killed': async ({ stack }: Scene) => stack.killDatabase(),
} as const;

/** The dear ones now and then, the cheap ones otherwise. */
function kindOf(n: number, random: Dice): keyof typeof FAULTS {
  if (n % 60 === 59) return 'database killed';
  if (n % 40 === 39) return 'server killed';
  if (n % 25 === 24) return random.pick(['tablet reloaded offline', 'page closed in the middle'] as const);
  if (n % 9 === 8) return 'fifty entries, cut in the middle';
  return random.pick([
    'network cut',
    'answer lost',
    'socket reset',
    'slow and out of order',
    'sent twice',
  ] as const);
}

const REST = 60_000;

async function settle(people: Person[], job: number, figures: FaultFigures): Promise<void> {
  for (const person of people) {
    person.net = 'well';
    await person.context.setOffline(false);
  }
  for (const { id, page } of people) {
    const saved = page.locator('[data-status="saved"]').waitFor({ timeout: REST });
    await saved.catch(async () => {
      figures.stillWaiting++;
      process.stderr.write(`${id} still waits: ${await whatShows(page)}\n`);
    });
  }
  // A page asks for news every four seconds.
  await pause(people[0]!.page, 9000);
  for (const person of people)
    if (!(await person.page.locator(PACK).getByRole('application').isVisible())) await openPack(person, job);
}

/** What a screen that never came to rest shows: its address, its status and its words. */
async function whatShows(page: Page): Promise<string> {
  const status = await page
    .locator('[data-status]')
    .evaluateAll((list) => list.map((e) => e.getAttribute('data-status')))
    .catch(() => []);
  const words = await page
    .locator('body')
    .innerText({ timeout: 2000 })
    .catch((e: unknown) => String(e));
  return `${page.url()} [${status.join(', ')}] ${words.replace(/\s+/g, ' ').slice(0, 600)}`;
}

async function compare(
  people: Person[],
  job: number,
  acked: Set<string>,
  figures: FaultFigures,
): Promise<void> {
  const { page, base } = people[0]!;
  const answer = await page.request.get(`${base}/api/jobs/${job}/entries?after=0`);
  let { entries } = (await answer.json()) as {
    entries: { id: string; seq: number; slot: string; value: { is: string } | null }[];
  };
  for (let more = entries; more.length; entries = [...entries, ...more]) {
    const next = await page.request.get(`${base}/api/jobs/${job}/entries?after=${entries.at(-1)!.seq}`);
    more = ((await next.json()) as { entries: typeof entries }).entries;
  }
  const ids = entries.map((e) => e.id);
  const known = new Set(ids);
  figures.doubled = ids.length - known.size;
  figures.lost = [...acked].filter((id) => !known.has(id)).length;
  const truth = new Map<string, string>();
  for (const { slot, value } of entries) truth.set(slot, value?.is ?? '');
  for (const person of people) {
    const faces = await person.page
      .locator(PACK)
      .locator('[data-face]')
      .evaluateAll((list) => list.map((e) => [e.getAttribute('data-face')!, e.getAttribute('data-grade')!]));
    const wrong = faces.filter(
      ([face, grade]) =>
        (truth.get(`face.forward.${face!.slice(0, -1)}.${face!.slice(-1)}.heat`) ?? '') !== grade,
    );
    if (faces.length === 0 || wrong.length) figures.unequalScreens++;
  }
}
