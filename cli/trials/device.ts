import { chromium as browserType } from 'playwright-core';
import type { BrowserContext, Page } from 'playwright-core';
import shop from '@/data/demo/shop.json';
import { LAUNCHED } from '../chromium-flags';
import { dice } from '../dice';
import type { Dice } from '../dice';
import { OURS, signIn } from '../sign-in';
import { chromium, ensureDebian } from '../system';
import type { Stack } from './stack';

export interface DeviceFigures {
  turns: number;
  /** How a person left, and how often. */
  left: Record<string, number>;
  typed: number;
  /** Typed, and not the record's last word when everybody has been here again. */
  lost: string[];
  /** In the record under another's name. */
  wrongName: string[];
  /** A page that showed somebody what another had not yet sent. */
  seenByOthers: string[];
  /** People whose words still waited at the end, signed in and with the network. */
  stillWaiting: string[];
}

/** Each person types into fields of their own: whose a word is stands in where it is. */
const FIELDS: Record<string, readonly (readonly [label: string, slot: string])[]> = {
  mira: [
    ['Make', 'vehicle.make'],
    ['Model', 'vehicle.model'],
  ],
  tobin: [
    ['Plate', 'vehicle.plate'],
    ['Serial number', 'vehicle.serial'],
  ],
  ivo: [
    ['Engine', 'vehicle.engine'],
    ['Customer', 'customer.name'],
  ],
};
const PEOPLE = Object.keys(FIELDS);
const person = (id: string) => shop.people.find((p) => p.id === id)!;
const WAIT = 20_000;

/**
 * Several people share one tablet: each signs in, types, with and without the network, and leaves as people do. In the
 * end all have been here once more; what each typed is held against the record, word by word and name by name.
 */
export async function shareDevice(stack: Stack, turns: number, seed: number): Promise<DeviceFigures> {
  ensureDebian(chromium, ['chromium']);
  const base = stack.bases[0];
  const random = dice(seed + 2);
  const figures: DeviceFigures = {
    turns: 0,
    left: {},
    typed: 0,
    lost: [],
    wrongName: [],
    seenByOthers: [],
    stillWaiting: [],
  };
  const cookie = await signIn(base, 'ivo');
  const made = await fetch(`${base}/api/jobs`, {
    method: 'POST',
    headers: { ...OURS, cookie },
    body: '{"unit":"ostrel-four"}',
  });
  const { number } = (await made.json()) as { number: number };
  const browser = await browserType.launch(LAUNCHED);
  try {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    const scene: Scene = {
      context,
      page: await context.newPage(),
      base,
      number,
      random,
      figures,
      words: new Map(),
    };
    for (; figures.turns < turns; figures.turns++) {
      await turn(scene, random.pick(PEOPLE));
      if (figures.turns % 10 === 9) process.stderr.write(`${figures.turns + 1} turns\n`);
    }
    for (const id of PEOPLE) await comesBack(scene, id);
    await compare(scene, cookie);
    return figures;
  } finally {
    await browser.close();
  }
}

interface Scene {
  context: BrowserContext;
  page: Page;
  base: string;
  number: number;
  random: Dice;
  figures: DeviceFigures;
  /** Slot → what its person typed last. */
  words: Map<string, string>;
}

async function enter({ page, context, base, number }: Scene, id: string): Promise<void> {
  await context.setOffline(false);
  await page.goto(`${base}/signin`);
  await page.getByLabel('Name').fill(id);
  await page.getByLabel('Password').fill(person(id).password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(`${base}/`, { timeout: WAIT });
  await page.goto(`${base}/jobs/${number}/intake`);
  await fieldOf(page, 'Make').waitFor({ timeout: WAIT });
}

const fieldOf = (page: Page, label: string) =>
  page.getByRole('region', { name: 'Who and what' }).getByLabel(label, { exact: true });

async function turn(scene: Scene, id: string): Promise<void> {
  const { page, context, random, figures, words } = scene;
  await enter(scene, id);
  await seesOnlyOwn(scene, id);
  const offline = random.chance(0.6);
  if (offline) await context.setOffline(true);
  for (let k = 1 + random.below(3); k > 0; k--) {
    const [label, slot] = random.pick(FIELDS[id]!);
    const text = `${id} ${figures.typed++}`;
    await fieldOf(page, label).fill(text);
    words.set(slot, text);
    // A word is the record's once the field was left: so it is at every tablet.
    await page.keyboard.press('Tab');
  }
  if (offline && random.chance(0.3)) {
    await page.waitForTimeout(random.below(300));
    await context.setOffline(false);
  }
  const way = random.pick(Object.keys(WAYS) as (keyof typeof WAYS)[]);
  figures.left[way] = (figures.left[way] ?? 0) + 1;
  await WAYS[way](scene);
}

/** How people leave a tablet. */
const WAYS = {
  'the session ends': ({ context }: Scene) => context.clearCookies(),
  'the page is closed, then the session ends': async (scene: Scene) => {
    await kept(scene);
    await scene.page.close();
    scene.page = await scene.context.newPage();
    await scene.context.clearCookies();
  },
  'reloaded without the network, then the session ends': async ({ page, context }: Scene) => {
    await context.setOffline(true);
    await page.reload({ waitUntil: 'commit', timeout: 10_000 }).catch(() => undefined);
    await context.clearCookies();
  },
  'the next signs in on a page of before': async ({ page }: Scene) => {
    await page.waitForTimeout(200);
  },
} as const;

/** What was typed is stored on the device a moment later: a tab that is shot before loses what its person still saw. */
const kept = ({ page }: Scene) => page.waitForTimeout(700);

/** Nobody is shown what another typed and has not sent. */
async function seesOnlyOwn({ page, base, number, figures, words }: Scene, id: string): Promise<void> {
  const answer = await page.request.get(`${base}/api/jobs/${number}/entries?after=0`);
  const { entries } = (await answer.json()) as { entries: { value: unknown }[] };
  const sent = new Set(entries.map((e) => e.value));
  const shown = await page
    .locator('main input')
    .evaluateAll((list) => list.map((e) => (e as HTMLInputElement).value));
  for (const text of words.values())
    if (!text.startsWith(`${id} `) && !sent.has(text) && shown.includes(text))
      figures.seenByOthers.push(`${id} saw “${text}”`);
}

/** Signed in and with the network: what waited for this person goes out. */
async function comesBack(scene: Scene, id: string): Promise<void> {
  await enter(scene, id);
  await scene.page
    .locator('[data-status="saved"]')
    .waitFor({ timeout: 60_000 })
    .catch(() => scene.figures.stillWaiting.push(id));
}

async function compare({ base, number, words, figures }: Scene, cookie: string): Promise<void> {
  const answer = await fetch(`${base}/api/jobs/${number}/entries?after=0`, { headers: { cookie } });
  const { entries } = (await answer.json()) as { entries: { slot: string; value: string; by: string }[] };
  const last = new Map(entries.map((e) => [e.slot, e.value]));
  for (const [slot, text] of words)
    if (last.get(slot) !== text) figures.lost.push(`${slot}: “${text}”, the record has “${last.get(slot)}”`);
  for (const { slot, value, by } of entries) {
    const id = String(value).split(' ')[0]!;
    if (FIELDS[id] && person(id).name !== by) figures.wrongName.push(`${slot}: “${value}” by ${by}`);
  }
}
