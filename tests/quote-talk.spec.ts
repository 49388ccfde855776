import { expect, test } from '@playwright/test';
import { makeJob, recorded, saved, signIn, writeEntries } from './helpers';

test('sent is said only when it was; a question is answered where the customer reads it; more found needs a new yes', async ({
  page,
  browser,
}) => {
  await signIn(page, 'ivo');
  const job = await makeJob(page);
  const write = (slot: string, value: unknown) => writeEntries(page, job, { [slot]: value });
  await write('customer.name', 'Ottilie Varn');
  await write('part.sun-shell.condition', { is: 'failed' });
  expect(await recorded(page.request, job, 'part.sun-shell.condition')).toEqual({ is: 'failed' });
  await page.goto(`/jobs/${job}/quote`);
  await page.getByRole('button', { name: 'Make version 1' }).click();
  const first = page.locator('[data-version="1"]');
  await expect(first).toContainText('Not sent yet');
  await first.getByLabel('Customer’s address or telephone').fill('fail@example.test');
  await first.getByRole('button', { name: 'Send it' }).click();
  await expect(first).toContainText('The message did not go out.');
  await expect(first).toContainText('Not sent yet');
  await first.getByRole('button', { name: 'Make a customer link' }).click();
  const link = await first.getByLabel('Customer link').inputValue();
  await expect(first).toContainText('Not sent yet');
  await first.getByRole('button', { name: 'I have sent it' }).click();
  await expect(first).toContainText('sent by hand');

  const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const customer = await context.newPage();
  await customer.goto(link);
  await customer.getByLabel('Your name, typed, is your signature').fill('Ottilie Varn');
  await customer.getByLabel('A question or a remark').fill('May I tow with it?');
  await customer.getByRole('button', { name: 'Ask' }).click();
  await expect(customer.getByText('“May I tow with it?”')).toBeVisible();
  await page.reload();
  await first.getByLabel('Answer the question').fill('Not before the first fluid change.');
  await first.getByRole('button', { name: 'Answer' }).click();
  await expect(first).toContainText('answered: “Not before the first fluid change.”');
  await customer.reload();
  await expect(customer.getByText(/Ivo Castell of Harrow Lane Transmissions/)).toBeVisible();
  await customer.getByRole('radio', { name: /Targeted repair/ }).check();
  await customer.getByLabel('Your name, typed, is your signature').fill('Ottilie Varn');
  await customer.getByRole('button', { name: 'Accept: Targeted repair' }).click();
  await expect(customer.getByRole('status')).toContainText('Ottilie Varn accepted');

  // More is found: a new version says what it changes, the accepted one stands.
  await write('part.pump-cover.condition', { is: 'failed' });
  await page.reload();
  await saved(page);
  // A nervous finger makes one version, and sends it once.
  await page.getByRole('button', { name: 'Make version 2' }).dblclick();
  const second = page.locator('[data-version="2"]');
  await expect(second).toContainText(/changes version 1 in \d+ lines: needs a new yes/);
  await expect(first).toContainText('Accepted: frozen');
  await second.getByLabel('Customer’s address or telephone').fill('ottilie@example.test');
  await second.getByRole('button', { name: 'Send it' }).dblclick();
  await expect(second.getByRole('button', { name: 'Send a reminder' })).toBeEnabled();
  await expect(second).not.toContainText('reminder sent');
  await expect(page.locator('[data-version]')).toHaveCount(2);
  await second.getByRole('button', { name: 'Make a customer link' }).click();
  await customer.goto(await second.getByLabel('Customer link').inputValue());
  const news = customer.locator('section').filter({ hasText: 'What is new since you accepted' });
  await expect(news).toContainText('Pump cover');
  await expect(news).toContainText('What you accepted stands until you say yes to this one.');
  await context.close();
});
