import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { live, makeJob, openRow, OURS, recorded, saved, signIn } from './helpers';

/** The record of a job as the server has it: slot and what it says. */
async function record(page: Page, job: number): Promise<Record<string, unknown>> {
  const answer = await page.request.get(`/api/jobs/${job}/entries?after=0`, { headers: OURS });
  const { entries } = (await answer.json()) as {
    entries: { slot: string; value: { is?: unknown } | null }[];
  };
  const last = new Map(entries.map((e) => [e.slot, e.value]));
  return Object.fromEntries([...last].flatMap(([slot, v]) => (v ? [[slot, v.is]] : [])));
}

async function find(page: Page, words: string): Promise<void> {
  await live(page);
  const box = page.getByRole('combobox', { name: 'Find a part or what is looked at' });
  // The station may come to life only now: until then a press is lost.
  await expect(async () => {
    await page.getByPlaceholder('Find', { exact: true }).click({ timeout: 500 });
    await expect(box).toBeFocused({ timeout: 2000 });
  }).toPass();
  await page.keyboard.type(words);
  await expect(page.getByRole('option').first()).toBeVisible();
  await page.keyboard.press('Enter');
}

test('the end of a stack is pushed to as many plates as were found, by mouse and by keys', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const job = await makeJob(page, 'ostrel-six');
  await page.goto(`/jobs/${job}/teardown`);
  await find(page, 'clutch k2');
  const grip = page.getByRole('slider', { name: 'Frictions found, Clutch K2' });
  await expect(grip).toHaveAttribute('aria-valuetext', '6, as built');
  await grip.click();
  const box = (await grip.boundingBox())!;
  const y = box.y + box.height / 2;
  const pack = page.locator('[data-subject="element.K2"]');
  const plate = (await pack.locator('[data-plate="11"]').boundingBox())!;
  await page.mouse.move(box.x + box.width / 2, y);
  await page.mouse.down();
  await page.mouse.move(plate.x, y, { steps: 6 });
  await page.mouse.up();
  await expect(grip).toHaveAttribute('aria-valuetext', '5 of 6');
  await expect(pack.getByRole('textbox', { name: 'Friction plates in it' })).toHaveValue('5');
  await expect.poll(async () => (await record(page, job))['element.K2.count']).toBe(5);
  await grip.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(grip).toHaveAttribute('aria-valuetext', '7 of 6');
  await expect.poll(async () => (await record(page, job))['element.K2.count']).toBe(7);
});

test('one blue pin of four is painted, noted, and the rest stays silver', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await makeJob(page, 'ostrel-six');
  await page.goto(`/jobs/${job}/teardown`);
  await find(page, 'front planetary');
  const set = page.locator('[data-subject="gearset.front"]');
  await set.getByRole('button', { name: /^All alike: silver/ }).click();
  await expect.poll(async () => (await record(page, job))['gearset.front.pins']).toBe('silver');
  await set.getByRole('button', { name: '3 Blue' }).click();
  await set.locator('[data-place="pinion-2"]').click();
  await set.getByLabel('Note: planet pins, pinion 2').fill('turned in the carrier');
  await expect
    .poll(async () => await record(page, job))
    .toMatchObject({
      'gearset.front.pins.pinion-1': 'silver',
      'gearset.front.pins.pinion-2': 'blue',
      'gearset.front.pins.pinion-4': 'silver',
    });
  expect((await record(page, job))['gearset.front.pins']).toBeUndefined();
  await set.getByRole('application').focus();
  await expect(set.getByRole('application')).toHaveAttribute('aria-label', /pinion 2, blue/);
});

test('a band is painted by keys, from the anchor to the servo', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await makeJob(page, 'ostrel-four');
  await page.goto(`/jobs/${job}/teardown`);
  await find(page, '2-4 band lining');
  const drawing = page.locator('[data-subject="element.band-2-4"]').getByRole('application');
  // Found by the point that is painted in it, the keys go on in the picture.
  await expect(drawing).toBeFocused();
  for (const key of ['4', '2', '1']) await page.keyboard.press(key);
  await expect
    .poll(async () => await record(page, job))
    .toMatchObject({
      'element.band-2-4.lining.anchor-end': 'charred',
      'element.band-2-4.lining.middle': 'worn',
      'element.band-2-4.lining.servo-end': 'sound',
    });
  await page.reload();
  await find(page, '2-4 band');
  await expect(page.locator('[data-place="middle"]')).toHaveAttribute('data-grade', '1');
});

test('a plate is found coned: it is said of that plate, and stands there whenever it is at hand', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const job = await makeJob(page);
  await page.goto(`/jobs/${job}/teardown`);
  await page.getByRole('button', { name: /^6 Reverse and high/ }).click();
  const pack = await openRow(page, 'element.high');
  const more = pack.getByRole('button', { name: /^Steel 1: / });
  await expect(more).toContainText('flat');
  await more.click();
  const flat = pack
    .getByRole('group', { name: 'High clutch, steel 1' })
    .getByRole('radio', { name: 'Coned, dished' });
  await flat.click();
  await pack.getByRole('button', { name: 'Fold the plate' }).click();
  await expect(flat).toBeChecked();
  await pack.locator('[data-plate="2"]').click();
  await expect(flat).toHaveCount(0);
  await pack.locator('[data-plate="1"]').click();
  await expect(flat).toBeChecked();
  // A test that found something takes two columns of three: what stands beside it keeps to the third.
  await pack.getByRole('radio', { name: 'Leaks' }).click();
  const beside = (await pack.getByRole('button', { name: /^Where it comes from/ }).boundingBox())!;
  const sheet = (await pack.boundingBox())!;
  expect(beside.x + beside.width).toBeLessThanOrEqual(sheet.x + sheet.width);
  await saved(page);
  expect(await recorded(page.request, job, 'plate.high.1.flat')).toEqual({ is: 'coned' });
});
