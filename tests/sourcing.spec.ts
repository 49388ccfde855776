import { expect, test } from '@playwright/test';
import { makeJob, recorded, saved, signIn, writeEntries } from './helpers';

const CORE = {
  'vehicle.bare': true,
  'unit-source.from': 'A breaker in the valley',
  'unit.debris.water': { is: { sump: 'none' } },
  'part.rear-carrier.condition': { is: 'sound' },
};
const SHELL = { 'part.rear-carrier.condition': { is: 'failed' } };

/** Asks for the parts of a scope. */
const ASK = /^Ask the suppliers about \d+ parts/;

test('suppliers are asked, an offer is taken, and the scope costs what was offered', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await makeJob(page);
  await writeEntries(page, job, SHELL);
  await page.goto(`/jobs/${job}/scope`);
  const part = page.locator('section[aria-label="Where the parts come from"] [data-part="rear-carrier"]');
  await page.getByRole('button', { name: ASK }).click();
  const rebuilt = part.getByRole('radio', { name: /Remanufactured/ });
  await expect(rebuilt).toBeAttached({ timeout: 15_000 });
  await part.getByText('Remanufactured', { exact: true }).click();
  await saved(page);
  const source = (await recorded(page.request, job, 'scope.source.rear-carrier')) as { price: number };
  expect(source).toMatchObject({ grade: 'remanufactured', supplier: 'Marrow Gear & Drum' });
  const line = page.locator('[data-line="part-rear-carrier"]');
  await expect(line).toContainText('remanufactured, Marrow Gear & Drum');
  await expect(line).toContainText((source.price / 100).toFixed(2));
  await part.getByText('Price book').click();
  await saved(page);
  expect(await recorded(page.request, job, 'scope.source.rear-carrier')).toBeNull();
});

test('a sound part of a core goes on the shelf and fills the scope line of another job, once', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const core = await makeJob(page);
  await writeEntries(page, core, CORE);
  await page.goto(`/jobs/${core}/scope`);
  const good = page.locator('section[aria-label="For the shelf"] [data-part="rear-carrier"]');
  await expect(good).toContainText('Sound');
  await good.getByRole('textbox').fill('91.50');
  await good.getByRole('button', { name: 'On the shelf' }).click();
  await expect(good).toContainText('On the shelf for €91.50');

  const job = await makeJob(page);
  await writeEntries(page, job, SHELL);
  await page.goto(`/jobs/${job}/scope`);
  await expect(page.getByText('On the shelf: Rear planet carrier')).toBeVisible();
  await page.getByRole('button', { name: ASK }).click();
  const part = page.locator('section[aria-label="Where the parts come from"] [data-part="rear-carrier"]');
  const piece = part.getByText(`out of job ${core}, A breaker in the valley`);
  await piece.click();
  await expect(page.locator('[data-line="part-rear-carrier"]')).toContainText('used, Shelf');
  await saved(page);

  const other = await makeJob(page);
  await writeEntries(page, other, SHELL);
  await page.goto(`/jobs/${other}/scope`);
  await page.getByRole('button', { name: ASK }).click();
  await expect(part.getByText('Price book')).toBeVisible({ timeout: 15_000 });
  await expect(page.getByText(`out of job ${core}`)).toHaveCount(0);

  await page.goto('/shelf');
  const row = page.locator('[data-piece]', { hasText: `job ${core}` });
  await expect(row).toContainText(`Held for job ${job}`);
  await row.getByRole('button', { name: /^Change/ }).click();
  await page.getByRole('button', { name: 'Put back on the shelf' }).click();
  await expect(row).not.toContainText('Held for');

  await page.goto(`/jobs/${job}/scope`);
  await expect(part).toContainText('is not held for this job');
  const refused = await page.request.post(`/api/jobs/${job}/quotes`, { headers: { 'x-pelvik': '1' } });
  expect(refused.status()).toBe(409);
});

test('a part in a quote the customer has is taken away only after a warning, and the quote says that it is gone', async ({
  page,
}) => {
  await signIn(page, 'ivo');
  const { pieces } = await (await page.request.get('/api/shelf')).json();
  const piece = pieces.find(
    (p: { part: string; heldBy: number | null }) => p.part === 'sun-shell' && p.heldBy === null,
  );
  const job = await makeJob(page);
  await writeEntries(page, job, {
    'part.sun-shell.condition': { is: 'failed' },
    'scope.source.sun-shell': {
      grade: 'donor',
      supplier: 'Shelf',
      price: piece.price,
      leadDays: 0,
      shelf: piece.id,
      on: '2026-11-02',
    },
  });
  const post = (url: string, data: object) => page.request.post(url, { headers: { 'x-pelvik': '1' }, data });
  expect((await post(`/api/shelf/${piece.id}`, { hold: job })).status()).toBe(200);
  expect((await post(`/api/jobs/${job}/quotes`, {})).status()).toBe(201);
  expect((await post(`/api/jobs/${job}/quotes/1/link`, {})).status()).toBe(201);

  await page.goto('/shelf');
  const row = page.locator(`[data-piece="${piece.id}"]`);
  await row.getByRole('button', { name: /^Change/ }).click();
  await page.getByRole('button', { name: 'Put back on the shelf' }).click();
  await expect(page.getByRole('dialog')).toContainText(`is part of quote version 1 for job ${job}`);
  await expect(row).toContainText(`Held for job ${job}`);
  await page.getByRole('button', { name: 'Put it back anyway' }).click();
  await expect(row).not.toContainText('Held for');

  await page.goto(`/jobs/${job}/quote`);
  await expect(page.getByText('Sun shell: no longer held for this job')).toBeVisible();
});

test('what the evidence changes after somebody stood by the scope is a difference, taken or left', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const job = await makeJob(page);
  await writeEntries(page, job, SHELL);
  await page.goto(`/jobs/${job}/scope`);
  await page.getByRole('button', { name: /^Stand by this scope/ }).click();
  await expect(page.getByText(/Nothing has changed it since/)).toBeVisible();
  await saved(page);
  await writeEntries(page, job, { 'part.sun-shell.condition': { is: 'failed' } });
  const changed = page.locator('[data-change="part-sun-shell"]');
  await expect(changed).toContainText('Sun shell: replace, which was not in it', { timeout: 30_000 });
  await changed.getByRole('button', { name: 'Leave' }).click();
  await page.getByLabel('Reason (kept on record)').fill('Looked at again: a scratch.');
  await page.getByRole('button', { name: 'Leave it so' }).click();
  await expect(page.getByText(/Nothing has changed it since/)).toBeVisible();
  await expect(page.locator('[data-line="part-sun-shell"]')).toHaveCount(0);
  await expect(page.getByText('Sun shell was taken out, though', { exact: false })).toBeVisible();
});
