import { expect, test } from '@playwright/test';
import { choice, makeJob, newJob, openRow, OURS, pick, recorded, saved, signIn, stage } from './helpers';

test('a reload in mid-word loses no letter, undo takes back the last change, and what was entered with the network gone is sent when it returns', async ({
  page,
  context,
}) => {
  await signIn(page, 'mira');
  const job = await newJob(page);
  await page.getByLabel('In the customer’s words').pressSequentially('slips when');
  await page.reload();
  await expect(page.getByLabel('In the customer’s words')).toHaveValue('slips when');
  await expect.poll(() => recorded(page.request, job, 'complaint.words')).toBe('slips when');

  await pick(page, 'Fluid at intake, level', 'Low');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(choice(page, 'Fluid at intake, level', 'Low')).not.toBeChecked();
  await saved(page);

  await context.route('**/api/jobs/**', (route) => route.abort());
  await pick(page, 'Fluid at intake, level', 'Low');
  await expect(page.locator('[data-status]')).toHaveAttribute('data-status', 'offline');
  await page.reload();
  await expect(choice(page, 'Fluid at intake, level', 'Low')).toBeChecked();
  // What is priced is what the server holds.
  await stage(page, 'Quote');
  await expect(page.getByText('One change of this job has not reached the server yet.')).toBeVisible();
  await context.unroute('**/api/jobs/**');
  await saved(page);
  expect(await recorded(page.request, job, 'unit.fluid.level')).toEqual({ is: 'low' });
  await expect(page.getByRole('button', { name: 'Make version 1' })).toBeVisible();
});

test('without the unit a job says so, who and what stay in sight, and it opens once the unit comes', async ({
  page,
  context,
}) => {
  await signIn(page, 'mira');
  await context.route('**/api/library/**', (route) => route.abort());
  await page.goto('/jobs/1002/teardown');
  const said = page.getByRole('alert').filter({ hasText: 'did not arrive' });
  await expect(said).toContainText('Nothing typed is lost');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('job 1002');
  await expect(page.getByRole('link', { name: 'Quote' })).toBeVisible();
  await context.unroute('**/api/library/**');
  await said.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('button', { name: /^2 Pan and filter/ })).toBeVisible();
  await expect(said).toHaveCount(0);
});

test('a part of the page that does not arrive says so where it would stand, and comes with the network', async ({
  browser,
}) => {
  // Nothing is at hand: the program's files were never kept here.
  const context = await browser.newContext({ serviceWorkers: 'block' });
  const page = await context.newPage();
  await signIn(page, 'mira');
  await page.goto('/jobs/1002/teardown');
  const opener = page.locator('[data-subject="element.high"] button[aria-expanded]').first();
  await opener.waitFor();
  await context.setOffline(true);
  await opener.click();
  await expect(page.getByRole('alert').filter({ hasText: 'did not arrive' })).toBeVisible();
  await expect(page.getByRole('heading', { name: /^6\. / })).toBeVisible();
  await context.setOffline(false);
  await expect(page.getByRole('application')).toBeVisible();
  await context.close();
});

test('what was typed stays with its field until the device has stored it', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await makeJob(page);
  await page.addInitScript(() => {
    const add = IDBObjectStore.prototype.add;
    IDBObjectStore.prototype.add = function (...given) {
      if (!sessionStorage.getItem('room')) throw new DOMException('full', 'QuotaExceededError');
      return add.apply(this, given);
    };
  });
  await page.goto(`/jobs/${job}/intake`);
  const words = page.getByLabel('In the customer’s words');
  await words.pressSequentially('slips when');
  // Longer than a typist’s pause: the words are handed over, and the store does not take them.
  await page.waitForTimeout(1500);
  await expect(page.locator('[data-status]')).not.toHaveAttribute('data-status', 'saved');
  await page.reload();
  await expect(words).toHaveValue('slips when');
  await page.evaluate(() => sessionStorage.setItem('room', 'yes'));
  await expect.poll(() => recorded(page.request, job, 'complaint.words')).toBe('slips when');
});

test('a form not yet sent keeps its words over a reload, and a number typed by hand is one entry', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const job = await newJob(page);
  await page.getByLabel('Odometer').pressSequentially('187400');
  await page.getByLabel('Repair already tried').pressSequentially('Filter renewed');
  await expect.poll(() => recorded(page.request, job, 'vehicle.odometerKm')).toBe(187400);
  const { entries } = await (await page.request.get(`/api/jobs/${job}/entries?after=0`)).json();
  expect(entries).toHaveLength(1);
  await page.reload();
  await expect(page.getByLabel('Repair already tried')).toHaveValue('Filter renewed');
  await page.getByLabel('Part renewed').selectOption('filter');
  await pick(page, 'Effect of the repair', 'Changed nothing');
  await page.getByRole('button', { name: 'Add repair' }).click();
  await expect(page.getByText('changed nothing; counts for: Filter')).toBeVisible();
  await page.reload();
  await expect(page.getByLabel('Repair already tried')).toHaveValue('');
});

test('a text file named .jpg is refused in words, and nothing else is lost', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await makeJob(page);
  await page.goto(`/jobs/${job}/teardown`);
  await page.getByRole('button', { name: /^2 Pan and filter/ }).click();
  await openRow(page, 'part.filter');
  await pick(page, 'Filter, between the pleats, cut open', 'Blocked');
  const chooser = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Photo of Filter' }).click();
  await (await chooser).setFiles({
    name: 'photo.jpg',
    mimeType: 'image/jpeg',
    buffer: Buffer.from('only text'),
  });
  const refusal = page.getByTestId('refused');
  await expect(refusal).toContainText('not a picture that can be read');
  // "Saved" never stands beside something that is not.
  await expect(page.locator('[data-status]')).toHaveAttribute('data-status', 'refused');
  await refusal.getByRole('button', { name: 'Discard' }).click();
  await saved(page);
  expect(await recorded(page.request, job, 'part.filter.pleats')).toEqual({ is: 'blocked' });
  // A picture the server has no room for waits, and holds up neither the quote nor what is agreed.
  const error = { message: 'The disk is full.', remedy: 'Make room.' };
  await page.route('**/photos/*', (route) => route.fulfill({ status: 503, json: { error } }));
  const again = page.waitForEvent('filechooser');
  await page.getByRole('button', { name: 'Photo of Filter' }).click();
  await (await again).setFiles('data/demo/photos/pump-cover.jpg');
  await expect(page.getByTestId('offline')).toContainText('The disk is full.');
  await stage(page, 'Quote');
  await expect(page.getByRole('button', { name: 'Make version 1' })).toBeVisible();
  await stage(page, 'Build');
  await expect(page.getByRole('heading', { name: 'Nothing is agreed yet' })).toBeVisible();
  await expect(page.getByTestId('offline')).toContainText('One change waits');
});

test('a case file comes back as the same job', async ({ page }) => {
  await signIn(page, 'ivo');
  const out = await (await page.request.get('/api/jobs/1001/case')).json();
  const answer = await page.request.post('/api/cases', { headers: OURS, data: out });
  const { number } = await answer.json();
  const back = await (await page.request.get(`/api/jobs/${number}/case`)).json();
  const values = (list: { slot: string; value: unknown }[]) => list.map(({ slot, value }) => [slot, value]);
  expect(back.findings).toEqual(out.findings);
  expect(values(back.history)).toEqual(values(out.history));
  expect(back.photos).toEqual(out.photos);
  // Who wrote it there is its source; its accepted quote is history.
  expect(back.history[0]).toMatchObject({ by: 'Ivo Castell', source: { by: out.history[0].by } });
  expect(back.quotes[0]).toMatchObject({ status: 'accepted', imported: true });
  expect(out.photos.length).toBeGreaterThan(0);
});
