import { expect, test } from '@playwright/test';
import { makeJob, recorded, saved, signIn } from './helpers';

test('the agreed version with its order list: ordered, arrived, the old part back for its deposit', async ({
  page,
}) => {
  await signIn(page, 'ivo');
  await page.goto('/jobs/1012/build');
  await expect(page.getByTestId('agreed')).toContainText('Full overhaul');
  await expect(page.getByTestId('agreed')).toContainText(/\d+ still to be ordered/);
  const converter = page.locator('[data-order="converter"]');
  await converter.getByRole('radio', { name: 'Arrived' }).click();
  await expect(converter).toContainText(/old part back in its packaging by/);
  await converter.getByRole('button', { name: 'It went back' }).click();
  await expect(converter).toContainText(/old part back \d/);
  await saved(page);
  expect(await recorded(page.request, 1012, 'order.converter')).toMatchObject({ state: 'arrived' });
  const all = page.getByRole('button', { name: /^All \d+ ordered today$/ }).first();
  await all.click();
  await saved(page);
  const csv = await (await page.request.get('/api/jobs/1012/orders')).text();
  expect(csv.split('\n')[0]).toBe(
    'supplier,part,name,quantity,grade,price,deposit,return_days,packaging,lead_days,state,sizes_mm,holds',
  );
  expect(csv).toMatch(/,converter,Torque converter,1,,[\d.]+,[\d.]+,\d*,,\d+,arrived,/);
  expect(csv).toContain(',ordered,');
});

test('without an agreement there is nothing to build, and the page says so', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await makeJob(page);
  await page.goto(`/jobs/${job}/build`);
  await expect(page.getByText('Nothing is agreed yet')).toBeVisible();
  expect((await page.request.get(`/api/jobs/${job}/orders`)).status()).toBe(409);
});
