import { expect, test } from '@playwright/test';
import { newJob, pick, signIn, signInByHand } from './helpers';

test('by keyboard alone: find a job, open it, grade a part', async ({ page }) => {
  await signInByHand(page, 'mira');
  // The keys are there once the page has come to life.
  await expect(async () => {
    await page.keyboard.press('/');
    await expect(page.getByRole('searchbox', { name: 'Find a job' })).toBeFocused({ timeout: 300 });
  }).toPass();
  await page.getByRole('searchbox', { name: 'Find a job' }).fill('');
  await page.keyboard.type('pell');
  await expect(page.getByText('1 found')).toBeVisible();
  const card = page.getByRole('link', { name: /Corvane Pell/ });
  for (let k = 0; k < 12 && !(await card.evaluate((e) => e === document.activeElement)); k++)
    await page.keyboard.press('Tab');
  await expect(card).toBeFocused();
  await page.keyboard.press('Enter');
  await page.waitForURL(/teardown/);
  await expect(page.getByRole('button', { name: /^Rest of this station/ })).toBeVisible();
  await page.keyboard.press('?');
  // One sheet of everything, whichever part of the page listens.
  const sheet = page.locator('[role=dialog]');
  await expect(sheet).toHaveCount(1);
  for (const words of ['The next stage', 'The rest of the station is sound', 'Find a part'])
    await expect(sheet).toContainText(words);
  await page.keyboard.press('Escape');
  await page.keyboard.press(']');
  await page.waitForURL(/cause/);
  await page.keyboard.press('[');
  await page.waitForURL(/teardown/);
  const sound = page.getByRole('radiogroup', { name: 'Band anchor' }).getByRole('radio', { name: 'Sound' });
  await sound.focus();
  await page.keyboard.press('Space');
  await expect(sound).toBeChecked();
  await page.keyboard.press('Space');
});

test('the first press of Tab offers the way past the head of the page', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto('/jobs/1002/intake');
  await expect(page.getByLabel('Customer', { exact: true })).toBeVisible();
  await page.keyboard.press('Tab');
  const skip = page.getByRole('link', { name: 'To the work' });
  await expect(skip).toBeFocused();
  await page.keyboard.press('Enter');
  await page.keyboard.press('Tab');
  expect(await page.evaluate(() => document.activeElement!.closest('#main') !== null)).toBe(true);
});

test('removing something leaves the focus where one was', async ({ page }) => {
  await signIn(page, 'mira');
  await newJob(page);
  for (const code of ['P0731', 'P0732', 'P0733']) {
    if (code === 'P0731') await pick(page, 'Scanned?', 'Scanned: these');
    await page.getByLabel('Code', { exact: true }).fill(code);
    await pick(page, 'Kind of code', 'Rationality: ratio or slip not as commanded');
    await page.getByRole('button', { name: 'Add code' }).click();
    await expect(page.getByRole('button', { name: `Remove ${code}` })).toBeVisible();
  }
  await page.getByRole('button', { name: 'Remove P0732' }).focus();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Remove P0732' })).toHaveCount(0);
  await expect(page.getByRole('button', { name: 'Remove P0733' })).toBeFocused();
});
