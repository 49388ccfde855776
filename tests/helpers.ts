import { expect } from '@playwright/test';
import type { APIRequestContext, Locator, Page } from '@playwright/test';
import shop from '@/data/demo/shop.json';

export const OURS = { 'x-pelvik': '1' };

export type Person = 'mira' | 'tobin' | 'ivo';

/** At the door, as a person does. */
export async function signInByHand(page: Page, person: Person): Promise<void> {
  await page.goto('/signin');
  await page.getByLabel('Name').fill(person);
  await page.getByLabel('Password').fill(passwordOf(person));
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Harrow Lane');
  await live(page);
}

/** A session of their own, and no page yet. */
export async function signIn(page: Page, person: Person): Promise<void> {
  const answer = await page
    .context()
    .request.post('/api/session', { headers: OURS, data: { id: person, password: passwordOf(person) } });
  expect(answer.status()).toBe(200);
}

export const passwordOf = (person: Person) => shop.people.find((p) => p.id === person)!.password;

/** A press is heard once the page has come to life. */
export async function live(page: Page): Promise<void> {
  await page.locator('html[data-live]').waitFor();
}

/** An empty job, and no page yet. */
export async function makeJob(page: Page, unit = 'ostrel-four'): Promise<number> {
  const answer = await page.request.post('/api/jobs', { headers: OURS, data: { unit } });
  return ((await answer.json()) as { number: number }).number;
}

/** An empty job, opened at its intake. */
export async function newJob(page: Page, unit = 'ostrel-four'): Promise<number> {
  const number = await makeJob(page, unit);
  await page.goto(`/jobs/${number}/intake`);
  await live(page);
  await saved(page);
  return number;
}

/** Writes into a job's record past its pages, as another device of the same person would. */
export async function writeEntries(page: Page, job: number, values: Record<string, unknown>): Promise<void> {
  const entries = Object.entries(values).map(([slot, value]) => ({ id: crypto.randomUUID(), slot, value }));
  const answer = await page.request.post(`/api/jobs/${job}/entries`, { headers: OURS, data: { entries } });
  expect(await answer.json()).toMatchObject({ refused: [] });
}

export async function saved(page: Page): Promise<void> {
  await expect(page.locator('[data-status]')).toHaveAttribute('data-status', 'saved');
}

/** One choice of a group. */
export function choice(page: Page, group: string, value: string): Locator {
  return page
    .getByRole('radiogroup', { name: group, exact: true })
    .getByRole('radio', { name: value, exact: true });
}

export function pick(page: Page, group: string, value: string): Promise<void> {
  return choice(page, group, value).click();
}

/** The row of something looked at, by the slot of its subject. */
export function row(page: Page, subject: string): Locator {
  return page.locator(`[data-subject="${subject}"]`);
}

/** Opens a row of the station that is shown. */
export async function openRow(page: Page, subject: string): Promise<Locator> {
  const found = row(page, subject);
  const opener = found.locator('button[aria-expanded]');
  if ((await opener.getAttribute('aria-expanded')) !== 'true') await opener.click();
  return found;
}

export async function stage(page: Page, name: string): Promise<void> {
  await page.getByRole('navigation', { name: 'Stages' }).getByRole('link', { name }).click();
  await page.waitForURL(new RegExp(`/${name.toLowerCase()}$`));
}

/** The value a job's record holds for a slot, as the server has it. */
export async function recorded(request: APIRequestContext, job: number, slot: string): Promise<unknown> {
  const answer = await request.get(`/api/jobs/${job}/entries?after=0`);
  const { entries } = (await answer.json()) as { entries: { slot: string; value: unknown }[] };
  return entries.filter((e) => e.slot === slot).at(-1)?.value;
}

/** Waits until this page's worker looks after it and has kept the job's stages, and what they reason with. */
export async function keptForOffline(page: Page, job: number): Promise<void> {
  await expect
    .poll(
      () =>
        page.evaluate(async (path) => {
          const page = await caches.match(path, { ignoreVary: true });
          const library = /\/api\/library\/[\w/-]+/.exec((await page?.text()) ?? '')?.[0];
          return library !== undefined && !!(await caches.match(library, { ignoreVary: true }));
        }, `/jobs/${job}/quote`),
      { timeout: 20_000 },
    )
    .toBe(true);
}
