import { expect, test } from '@playwright/test';
import { OURS, signIn } from './helpers';

test('the owner sets what is charged, as a new version; what was changed and not kept outlives a reload', async ({
  page,
}) => {
  await signIn(page, 'ivo');
  await page.goto('/shop');
  const version = Number((await page.locator('h1 small').textContent())!.replace(/\D+/g, ''));
  const rates = page.getByRole('region', { name: 'Rates' });
  const litre = rates.getByLabel('Fluid');
  const before = await litre.inputValue();
  await litre.fill('14,25');
  await litre.blur();
  await expect(page.getByText('Changed, not kept yet.')).toBeVisible();
  await page.reload();
  await expect(litre).toHaveValue('14.25');
  await page.getByRole('button', { name: `Keep as version ${version + 1}` }).click();
  await expect(page.locator('h1 small')).toHaveText(`settings, version ${version + 1}`);
  await expect(page.getByText('Changed, not kept yet.')).toBeHidden();
  const quote = await (await page.request.get('/api/jobs/1004/quotes')).json();
  const full = quote.preview.options.find((o: { id: string }) => o.id === 'full');
  // A bare unit takes no fluid: nothing is charged for it whatever it costs.
  expect(full.fluid).toBe(0);
  const other = await (await page.request.get('/api/jobs/1003/quotes')).json();
  expect(other.preview.options.find((o: { id: string }) => o.id === 'full').fluid).toBe(
    Math.round(1425 * 9.5),
  );
  // What was made stays as it was made.
  expect(other.quotes[0].content.options.find((o: { id: string }) => o.id === 'full').fluid).toBe(
    Math.round(1350 * 9.5),
  );
  await litre.fill(before);
  await litre.blur();
  await page.getByRole('button', { name: `Keep as version ${version + 2}` }).click();
  await expect(page.locator('h1 small')).toHaveText(`settings, version ${version + 2}`);
});

test('what cannot be is said and not kept', async ({ page }) => {
  await signIn(page, 'ivo');
  await page.goto('/shop');
  await page.getByLabel('Time zone').fill('Nowhere');
  await page.getByLabel('Time zone').blur();
  await page.getByRole('button', { name: /^Keep as version/ }).click();
  await expect(page.getByRole('status').filter({ hasText: 'is not a time zone' })).toBeVisible();
  await page.getByRole('button', { name: 'Drop the changes' }).click();
  await expect(page.getByLabel('Time zone')).toHaveValue('Europe/Dublin');
});

test('people are added and let out by the owner, and by nobody else', async ({ page }) => {
  await signIn(page, 'ivo');
  await page.goto('/shop');
  const name = `wren-${Date.now() % 1e6}`;
  await page.getByRole('button', { name: 'Add a person' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Name', { exact: true }).fill('Wren Hollis');
  await dialog.getByLabel('Signs in as').fill(name);
  await dialog.getByLabel('First password').fill('short');
  await dialog.getByRole('button', { name: 'Add' }).click();
  await expect(dialog.getByRole('alert')).toContainText('too short');
  await dialog.getByLabel('First password').fill('kettle-brook-lantern-9');
  await dialog.getByRole('button', { name: 'Add' }).click();
  const row = page.locator(`[data-person="${name}"]`);
  await expect(row).toContainText('Wren Hollis');
  await row.getByRole('button', { name: 'Let out' }).click();
  await expect(row).toContainText('may not sign in');
  await signIn(page, 'tobin');
  const refused = await page.request.patch(`/api/people/${name}`, { headers: OURS, data: { active: true } });
  expect(refused.status()).toBe(403);
  expect((await page.request.put('/api/shop', { headers: OURS, data: { on: 1, terms: {} } })).status()).toBe(
    403,
  );
  expect((await page.request.get('/api/shop/prices')).status()).toBe(403);
});

test('a price book with a wrong row is refused whole, with the row', async ({ page }) => {
  await signIn(page, 'ivo');
  await page.goto('/shop');
  const book = page.getByRole('region', { name: 'Price book' });
  await book.locator('input[type=file]').setInputFiles({
    name: 'prices.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from('unit,part,price\nostrel-four,filter,nine\n'),
  });
  await expect(book.getByRole('status')).toContainText('Row 1, price: "nine" is not a number');
});
