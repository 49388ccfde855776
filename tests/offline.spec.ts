import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import {
  choice,
  keptForOffline,
  makeJob,
  newJob,
  openRow,
  OURS,
  pick,
  recorded,
  saved,
  signIn,
} from './helpers';

test.use({ reuseContext: false });

const low = (page: Page) => choice(page, 'Fluid at intake, level', 'Low');

/** Writes cannot leave: one is made on the job that is open, and waits as the board says. */
async function leaveOneWaiting(page: Page): Promise<void> {
  await page.context().route('**/entries', (route) => route.abort());
  await pick(page, 'Fluid at intake, level', 'Low');
  await expect(page.locator('[data-status]')).toHaveAttribute('data-status', 'offline');
  await page.goto('/');
  await expect(page.getByTestId('offline')).toContainText('One change waits');
}

test.describe('with what the device keeps of the program', () => {
  test.use({ serviceWorkers: 'allow' });

  test('board and job open without the network, also after the browser was closed; what is entered waits and is sent', async ({
    page,
    context,
  }) => {
    await signIn(page, 'mira');
    const job = await newJob(page);
    await pick(page, 'Fluid at intake, colour', 'Black');
    await saved(page);
    await keptForOffline(page, job);
    await context.setOffline(true);
    await page.close();
    const again = await context.newPage();
    await again.goto('/');
    await expect(again.getByRole('heading', { level: 1 })).toContainText('Harrow Lane');
    await expect(again.getByTestId('offline')).toBeVisible();
    await again.goto(`/jobs/${job}/intake`);
    await expect(choice(again, 'Fluid at intake, colour', 'Black')).toBeChecked();
    await pick(again, 'Fluid at intake, level', 'Low');
    await expect(again.getByTestId('offline')).toContainText('One change waits on this device');
    // A stage that was never opened, and the verdict: both come from the device.
    await again.goto(`/jobs/${job}/teardown`);
    await expect(again.getByTestId('diagnosis')).toBeVisible();
    await again.getByRole('button', { name: /^2 Pan and filter/ }).click();
    await openRow(again, 'part.filter');
    const chooser = again.waitForEvent('filechooser');
    await again.getByRole('button', { name: 'Photo of Filter' }).click();
    await (await chooser).setFiles('data/demo/photos/pump-cover.jpg');
    await expect(again.getByTestId('offline')).toContainText('3 changes wait');
    await again.reload();
    await again.getByRole('button', { name: /^2 Pan and filter/ }).click();
    await openRow(again, 'part.filter');
    await expect(again.getByRole('img', { name: 'Photo of Filter' })).toBeVisible();
    await context.setOffline(false);
    await saved(again);
    expect(await recorded(again.request, job, 'unit.fluid.level')).toEqual({ is: 'low' });
    const kase = await (await again.request.get(`/api/jobs/${job}/case`)).json();
    expect(kase.photos).toHaveLength(1);
  });

  test('a job never opened here says so without the network, and the way back to the board works', async ({
    page,
    context,
  }) => {
    await signIn(page, 'mira');
    const job = await newJob(page);
    await keptForOffline(page, job);
    await context.setOffline(true);
    await page.goto('/jobs/1001/intake');
    await expect(page.getByRole('heading', { name: 'No connection to the shop’s server' })).toBeVisible();
    await page.getByRole('link', { name: 'To the board' }).click();
    await expect(page.getByRole('heading', { level: 1 })).toContainText('Harrow Lane');
  });

  test('signing out says what waits and keeps it, locked; nothing else of a person stays on the device', async ({
    page,
  }) => {
    await signIn(page, 'mira');
    const job = await newJob(page);
    await keptForOffline(page, job);
    await page.getByLabel('Repair already tried').fill('Unsent words');
    await leaveOneWaiting(page);
    await page.getByRole('button', { name: /sign out/ }).click();
    const dialog = page.getByRole('dialog', { name: /Sign out/ });
    await expect(dialog).toContainText('1 change of Mira Sollen waits here.');
    await dialog.getByRole('button', { name: 'Stay signed in' }).click();
    await expect(dialog).toHaveCount(0);
    expect(await everything(page)).toContain('pelvik-outbox-mira');
    await page.getByRole('button', { name: /sign out/ }).click();
    await dialog.getByRole('button', { name: 'Sign out', exact: true }).click();
    await page.waitForURL(/signin/);
    await expect(page.getByTestId('others-waiting')).toContainText('1 change of Mira Sollen waits here.');
    expect(await everything(page)).toBe('[[],[],[]]');
  });
});

test('what waits of a job is sent from the board too', async ({ page, context }) => {
  await signIn(page, 'mira');
  const job = await newJob(page);
  await leaveOneWaiting(page);
  await context.unroute('**/entries');
  await expect(page.getByTestId('offline')).toHaveCount(0, { timeout: 40_000 });
  // The board's own question may find the connection first: what waits goes out right after.
  await expect.poll(() => recorded(page.request, job, 'unit.fluid.level')).toEqual({ is: 'low' });
});

async function everything(page: Page): Promise<string> {
  return page.evaluate(async () =>
    JSON.stringify([
      Object.keys(localStorage).filter((k) => k !== 'pelvik-theme'),
      (await indexedDB.databases()).map((d) => d.name).filter((name) => name !== 'pelvik-device'),
      (await caches.keys()).filter((k) => !k.includes('precache')),
    ]),
  );
}

test('two people in one job see what the other enters; on one field each is told whose value stands, and can take the other', async ({
  page,
  browser,
}) => {
  await signIn(page, 'mira');
  const job = await newJob(page);
  const other = await (await browser.newContext()).newPage();
  await signIn(other, 'ivo');
  await other.goto(`/jobs/${job}/intake`);
  await saved(other);
  await Promise.all([
    pick(page, 'Fluid at intake, smell', 'Burnt'),
    pick(other, 'Fluid at intake, colour', 'Black'),
  ]);
  for (const who of [page, other]) {
    await expect(choice(who, 'Fluid at intake, smell', 'Burnt')).toBeChecked({ timeout: 12_000 });
    await expect(choice(who, 'Fluid at intake, colour', 'Black')).toBeChecked({ timeout: 12_000 });
    await saved(who);
  }
  // Neither hears of the other while they write.
  await page.route('**/entries**', (route) => route.abort());
  await pick(page, 'Fluid at intake, level', 'Low');
  await pick(other, 'Fluid at intake, level', 'Full');
  await saved(other);
  await page.unroute('**/entries**');
  // As a device does whose network is back: it does not wait for the next try.
  await page.evaluate(() => dispatchEvent(new Event('online')));
  for (const [who, whose] of [
    [page, 'Yours stands: “low”. The other, Ivo Castell: “full”'],
    [other, 'Mira Sollen’s stands: “low”. The other, yours: “full”'],
  ] as const)
    await expect(who.getByTestId('clash')).toContainText(whose, { timeout: 30_000 });
  await other.getByRole('button', { name: 'Take mine' }).click();
  await expect(other.getByTestId('clash')).toHaveCount(0);
  await expect(page.getByTestId('clash')).toHaveCount(0, { timeout: 12_000 });
  await expect(low(page)).not.toBeChecked();
  const { entries } = await (await page.request.get(`/api/jobs/${job}/entries?after=0`)).json();
  const level = entries.filter((e: { slot: string }) => e.slot === 'unit.fluid.level');
  expect(level.map((e: { value: { is: string } }) => e.value.is)).toEqual(['full', 'low', 'full']);
  await other.context().close();
});

test('six typed characters of an escape are kept as typed; a refused text can be mended', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const job = await newJob(page);
  const typed = String.raw`slips \u0000 in third`;
  await page.getByLabel('In the customer’s words').fill(typed);
  await expect.poll(() => recorded(page.request, job, 'complaint.words')).toBe(typed);
  await saved(page);
  // Half a character, as some keyboards leave behind.
  await page.getByLabel('Shows after how long').evaluate((field: HTMLInputElement) => {
    const { set } = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!;
    set!.call(field, `ten minutes ${String.fromCharCode(0xd83d)}`);
    field.dispatchEvent(new Event('input', { bubbles: true }));
  });
  const refused = page.getByTestId('refused');
  await expect(refused).toContainText(/holds a character that cannot be kept/i);
  await refused.getByRole('button', { name: 'Mend' }).click();
  await refused.getByLabel('Mend it').fill('ten minutes');
  await refused.getByRole('button', { name: 'Send' }).click();
  await expect(refused).toHaveCount(0);
  await expect.poll(() => recorded(page.request, job, 'complaint.after')).toBe('ten minutes');
});

test('a verdict that cannot be worked out says so, and comes when it is tried again', async ({ page }) => {
  await page.addInitScript(() => {
    const Real = window.Worker;
    let broken = true;
    window.Worker = class extends Real {
      constructor(url: string | URL, options?: WorkerOptions) {
        super(broken ? '/nothing-here.js' : url, options);
      }
    };
    addEventListener('mend', () => (broken = false));
  });
  await signIn(page, 'mira');
  await page.goto(`/jobs/${await makeJob(page)}/teardown`);
  const trouble = page.getByRole('alert').filter({ hasText: 'The verdict could not be worked out' });
  await expect(trouble).toBeVisible({ timeout: 15_000 });
  await page.evaluate(() => dispatchEvent(new Event('mend')));
  await trouble.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByTestId('diagnosis')).toContainText('Most telling next check');
});

test('a revoked link stops everything: its page, its paper, its photos, by whatever way', async ({
  page,
}) => {
  await signIn(page, 'ivo');
  const kase = await (await page.request.get('/api/jobs/1003/case')).json();
  const { number } = await (await page.request.post('/api/cases', { headers: OURS, data: kase })).json();
  const { quote } = await (await page.request.post(`/api/jobs/${number}/quotes`, { headers: OURS })).json();
  const base = `/api/jobs/${number}/quotes/${quote.version}/link`;
  const { path } = await (await page.request.post(base, { headers: OURS })).json();
  const photo = `/api${path}/photos/${quote.content.photos[0].id}`;
  const shown = await page.request.get(photo);
  expect([shown.status(), shown.headers()['cache-control']]).toEqual([200, 'no-store']);
  const optimised = `/_next/image?url=${encodeURIComponent(photo)}&w=640&q=75`;
  expect((await page.request.get(optimised)).status()).toBeGreaterThanOrEqual(400);
  await page.request.delete(base, { headers: OURS });
  for (const address of [photo, `${path}/pdf`]) expect((await page.request.get(address)).status()).toBe(410);
  expect((await page.request.get(optimised)).status()).toBeGreaterThanOrEqual(400);
});
