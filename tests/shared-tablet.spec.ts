import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { keptForOffline, live, newJob, passwordOf, pick, recorded, saved, signInByHand } from './helpers';
import type { Person } from './helpers';

test.use({ serviceWorkers: 'allow', reuseContext: false });

/** The session ends as it does after four hours: the browser's cookie opens nothing any more. */
const sessionEnds = (page: Page) => page.context().clearCookies();

/** At the door of a page that is there already. */
async function signInHere(page: Page, person: Person): Promise<void> {
  await page.getByLabel('Name').fill(person);
  await page.getByLabel('Password').fill(passwordOf(person));
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Harrow Lane');
  await live(page);
}

/** The board, where whoever works here is named, and who else has changes waiting. */
async function board(page: Page): Promise<void> {
  await page.goto('/');
  await live(page);
}

async function signOut(page: Page): Promise<void> {
  await page.getByRole('button', { name: /sign out/ }).click();
  await page.waitForURL(/signin/);
}

/** Everything the browser keeps that a page can read, as text. */
async function readable(page: Page): Promise<string> {
  return page.evaluate(async () => {
    const found: unknown[] = [{ ...localStorage }];
    for (const { name } of await indexedDB.databases()) {
      const db = await new Promise<IDBDatabase>((resolve, reject) => {
        const request = indexedDB.open(name!);
        request.onsuccess = () => resolve(request.result);
        request.onerror = () => reject(request.error);
      });
      for (const store of db.objectStoreNames)
        found.push(
          await new Promise((resolve) => {
            const request = db.transaction(store).objectStore(store).getAll();
            request.onsuccess = () => resolve(request.result);
          }),
        );
      db.close();
    }
    for (const name of await caches.keys()) {
      if (name.includes('precache')) continue;
      const cache = await caches.open(name);
      for (const request of await cache.keys()) {
        const kept = await cache.match(request, { ignoreVary: true });
        if (/text|json/.test(kept?.headers.get('content-type') ?? '')) found.push(await kept!.text());
      }
    }
    return JSON.stringify(found);
  });
}

/** Words no other run has written, so that what the board shows of others is not taken for them. */
const HERS = `Mira’s words ${crypto.randomUUID()}`;

/** Mira writes without the network, her session ends, and the network comes back. */
async function miraLeaves(page: Page): Promise<number> {
  await signInByHand(page, 'mira');
  const job = await newJob(page);
  await saved(page);
  await keptForOffline(page, job);
  await page.context().setOffline(true);
  await page.getByLabel('In the customer’s words').fill(HERS);
  await pick(page, 'Fluid at intake, level', 'Low');
  await expect(page.getByTestId('offline')).toContainText('2 changes wait');
  await sessionEnds(page);
  await page.context().setOffline(false);
  return job;
}

test('what one person wrote offline is shown to nobody else, outlives another’s signing in and out, and is sent under the right name', async ({
  page,
}) => {
  const job = await miraLeaves(page);
  const waits = () =>
    expect(page.getByTestId('others-waiting')).toContainText('2 changes of Mira Sollen wait here.');
  const nothingOpens = async () => {
    await page.context().setOffline(true);
    await page.goto(`/jobs/${job}/intake`);
    await expect(page.getByRole('heading', { name: 'No connection to the shop’s server' })).toBeVisible();
  };
  await page.goto('/');
  await page.waitForURL(/signin/);
  await waits();
  await nothingOpens();
  await expect(page.locator('body')).toContainText('Nobody is signed in on this device');
  await page.context().setOffline(false);
  await page.goto('/signin');
  await signInHere(page, 'tobin');
  await waits();
  expect(await readable(page)).not.toContain(HERS);
  await nothingOpens();
  await expect(page.locator('body')).not.toContainText('Mira');
  // The network returns: nothing of hers goes out.
  await page.context().setOffline(false);
  await page.goto(`/jobs/${job}/intake`);
  await live(page);
  await saved(page);
  await expect(page.getByLabel('In the customer’s words')).toHaveValue('');
  expect(await recorded(page.request, job, 'complaint.words')).toBeUndefined();
  await board(page);
  await signOut(page);
  await waits();
  await signInHere(page, 'mira');
  await expect.poll(() => recorded(page.request, job, 'complaint.words')).toBe(HERS);
  const { entries } = await (await page.request.get(`/api/jobs/${job}/entries?after=0`)).json();
  expect(entries.map((e: { by: string }) => e.by)).toEqual(['Mira Sollen', 'Mira Sollen']);
  await page.goto(`/jobs/${job}/intake`);
  await expect(page.getByLabel('In the customer’s words')).toHaveValue(HERS);
  await board(page);
  await expect(page.getByTestId('others-waiting')).toHaveCount(0);
  // The way back shows nothing of who signed out.
  await signOut(page);
  await page.goBack();
  await expect(page).toHaveURL(/signin/);
  await page.goto(`/jobs/${job}/intake`);
  await expect(page).toHaveURL(/signin/);
});

test('a tab that still shows who was here before makes room, and sends nothing in the new name', async ({
  page,
}) => {
  await signInByHand(page, 'mira');
  const job = await newJob(page);
  await keptForOffline(page, job);
  const other = await page.context().newPage();
  await sessionEnds(page);
  await other.goto('/signin');
  await signInHere(other, 'tobin');
  // Her tab has heard, and shows what the server draws for him.
  await expect(page.locator('meta[name="pelvik-person"]')).toHaveAttribute('content', 'tobin', {
    timeout: 15_000,
  });
  await live(page);
  await pick(page, 'Fluid at intake, level', 'Low');
  await saved(page);
  const { entries } = await (await page.request.get(`/api/jobs/${job}/entries?after=0`)).json();
  expect(entries.map((e: { by: string }) => e.by)).toEqual(['Tobin Ashe']);
});
