import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { told } from './fixtures/told';
import { makeJob, newJob, openRow, OURS, pick, recorded, saved, signIn, stage } from './helpers';

async function jobOf(page: Page, findings: Record<string, unknown>): Promise<number> {
  const answer = await page.request.post('/api/cases', {
    headers: OURS,
    data: {
      format: 'pelvik-case/2',
      unit: 'ostrel-four',
      findings: Object.entries(findings).map(([slot, value]) => ({ slot, value })),
    },
  });
  return (await answer.json()).number;
}
const CREEPS = {
  'grid.N.shop': told(['moves']),
  'grid.R.shop': told(['bogs']),
  'grid.D1.shop': told(['normal']),
  'grid.D4.shop': told(['normal']),
};

test('suspects: the caution, told beside computed, and the powerflow with the fault', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto(`/jobs/${await jobOf(page, CREEPS)}/suspects`);
  const faults = page.getByRole('region', { name: 'Which faults would look like this' });
  await expect(faults.getByRole('button').first()).toContainText('Forward clutch stuck on');
  const compare = page.getByRole('region', { name: 'Told and computed' });
  await expect(compare).toContainText('chock it');
  await expect(compare.getByRole('row', { name: /^N / })).toContainText('drives like D1');
  await expect(compare.getByRole('row', { name: /^R / })).toContainText('ties up');
  const flow = page.getByRole('region', { name: 'Powerflow' });
  await flow.getByRole('button', { name: 'Reverse', exact: true }).click();
  await expect(flow).toContainText('Ties up: ');
  await page.keyboard.press('ArrowRight');
  await expect(flow).toContainText('Drives at 3.086 : 1');
});

test('suspects: an element pressed in the drawing is lost, pressed again stuck', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto(`/jobs/${await jobOf(page, { 'grid.D2.shop': told(['normal']) })}/suspects`);
  const flow = page.getByRole('region', { name: 'Powerflow' });
  const band = page.getByRole('button', { name: /^2-4 band/ });
  await flow.getByRole('button', { name: 'Drive second' }).click();
  await band.press('Enter');
  await expect(flow).toContainText('2-4 band lost');
  await expect(flow).toContainText('Drives at 3.086 : 1');
  await band.press('Enter');
  await expect(flow).toContainText('2-4 band stuck');
  await expect(flow).toContainText('Drives at 1.637 : 1');
});

test('suspects: with no complaint the page says what to do', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto(`/jobs/${await jobOf(page, {})}/suspects`);
  await expect(page.getByText('Fill the complaint grid at Intake:')).toBeVisible();
  await expect(page.locator('p', { hasText: 'Still to do here' })).toContainText('fill the complaint grid');
});

test('cause: a welded pack asks who did it, each candidate with its check', async ({ page }) => {
  await signIn(page, 'mira');
  const welded = Object.fromEntries(
    [1, 3, 5].flatMap((plate) =>
      ['a', 'b'].map((face) => [`face.forward.${plate}.${face}.heat`, { is: 'welded' }]),
    ),
  );
  const job = await jobOf(page, { ...CREEPS, ...welded });
  await page.goto(`/jobs/${job}/cause`);
  const behind = page.getByRole('region', { name: 'Who did it' });
  await expect(behind).toContainText('Forward piston seals torn');
  await expect(behind).toContainText('Look at the forward piston seals');
  await expect(page.getByTestId('diagnosis')).toContainText('not determined');
  await expect(page.getByTestId('diagnosis')).not.toContainText('Open the forward clutch');
  await page.goto(`/jobs/${job}/teardown`);
  await page.getByRole('button', { name: /^7 Forward and overrun/ }).click();
  await pick(page, 'Forward piston seals', 'Failed');
  await saved(page);
  await stage(page, 'Cause');
  await expect(page.getByRole('region', { name: 'Candidates' }).getByRole('button').first()).toContainText(
    'Forward piston seals torn',
  );
});

test('cause: overruling the ranking needs a reason, and the reason is kept', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await jobOf(page, {
    'grid.D2.shop': told(['flares']),
    'element.band-2-4.lining': { is: 'torn' },
  });
  await page.goto(`/jobs/${job}/cause`);
  const candidates = page.getByRole('region', { name: 'Candidates' }).getByRole('button');
  await candidates.nth(2).click();
  const commit = page.getByRole('button', { name: /^Commit:/ });
  await expect(commit).toBeDisabled();
  await page.getByLabel(/^Reason/).fill('Seen it on this very unit before');
  await commit.click();
  await saved(page);
  expect(await recorded(page.request, job, 'cause.commit')).toMatchObject({
    reason: 'Seen it on this very unit before',
  });
  await expect(page.getByText('may be out of date')).toBeVisible();
  await expect(page.getByRole('checkbox', { name: /^Nothing wrong/ })).toBeHidden();
  await page.getByRole('button', { name: 'Take back' }).click();
  await saved(page);
  expect(await recorded(page.request, job, 'cause.commit')).toBeNull();
});

test('scope: a policy switched changes the lines; what a rule holds fast is warned about when taken out', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const job = await jobOf(page, {
    'element.band-2-4.lining': { is: 'charred' },
    'element.band-2-4.drum': { is: 'grooved' },
    'vehicle.make': 'Veldt',
  });
  await page.goto(`/jobs/${job}/scope`);
  const lines = page.getByRole('region', { name: 'Targeted repair' });
  await expect(lines.locator('[data-line="part-reverse-drum"]')).toContainText('takes the drum along');
  await expect(lines.locator('[data-line="part-converter"]')).toHaveCount(0);
  await page.getByRole('button', { name: 'Change for this job' }).click();
  await pick(page, 'Converter after metal', 'Always replace');
  await expect(lines.locator('[data-line="part-converter"]')).toContainText('always a replacement');
  // Two converters of one name: measured before one is ordered.
  await expect(lines).toContainText('Two converters: pilot 41.0 mm and 43.5 mm.');
  await lines.getByLabel(/^Measured/).fill('43,5');
  await lines.getByLabel(/^Measured/).blur();
  await expect(lines).toContainText('measured, large pilot');
  await expect.poll(() => recorded(page.request, job, 'scope.variant.converter-pilot')).toBe(0.0435);
  await lines.getByRole('button', { name: 'Take out Reverse drum' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('button', { name: 'Take out' })).toBeDisabled();
  await dialog.getByLabel(/^Reason/).fill('Turned on the lathe instead');
  await dialog.getByRole('button', { name: 'Take out' }).click();
  await expect(lines).toContainText('Reverse drum was taken out, though');
  await lines.getByRole('button', { name: 'Sign for it' }).first().click();
  await dialog.getByLabel(/^Why, and who agreed/).fill('Owner wants the lathe');
  await dialog.getByRole('button', { name: 'Sign as Mira Sollen' }).click();
  await expect(lines).toContainText('Signed for by Mira Sollen: Owner wants the lathe');
  await page.getByRole('region', { name: 'Taken out' }).getByRole('button', { name: 'Put back' }).click();
  await expect(lines.locator('[data-line="part-reverse-drum"]')).toBeVisible();
});

test('scope: a line’s price and quantity are changed with a reason, and the quote follows', async ({
  page,
}) => {
  await signIn(page, 'ivo');
  const job = await jobOf(page, { 'part.sun-shell.condition': { is: 'failed' } });
  await page.goto(`/jobs/${job}/scope`);
  const line = page.locator('[data-line="part-sun-shell"]');
  await line.getByRole('button', { name: 'Change Sun shell' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('Quantity').fill('2');
  await dialog.getByLabel('Unit price').fill('99,5');
  await dialog.getByLabel(/^Reason/).fill('From the other supplier');
  await dialog.getByRole('button', { name: 'Keep' }).click();
  await expect(line).toContainText('€199.00');
  await expect(line).toContainText('From the other supplier');
  await saved(page);
  await stage(page, 'Quote');
  await page
    .getByText(/^\d+ lines$/)
    .first()
    .click();
  await expect(page.getByText('Sun shell × 2').first()).toBeVisible();
});

test('the counter writes the intake but no findings, and sends what the technician made', async ({
  page,
}) => {
  await signIn(page, 'tobin');
  const job = await newJob(page);
  await page.getByLabel('Customer', { exact: true }).fill('Ruben Achterberg');
  await expect.poll(() => recorded(page.request, job, 'customer.name')).toBe('Ruben Achterberg');
  // Where nobody shows a verdict none is worked out.
  expect(page.workers()).toEqual([]);
  await page.goto(`/jobs/${job}/teardown`);
  await expect.poll(() => page.workers().length).toBe(1);
  await expect(page.getByText(/^The counter reads here/)).toBeVisible();
  await page.getByRole('button', { name: /^4 Band servo/ }).click();
  await pick(page, 'Servo piston', 'Failed');
  const refusal = page.getByRole('alert').filter({ hasText: 'servo piston' });
  await expect(refusal).toContainText('A counter may not write findings');
  await refusal.getByRole('button', { name: 'Discard' }).click();
  await expect(refusal).toHaveCount(0);
  expect(await recorded(page.request, job, 'part.servo-piston.condition')).toBeUndefined();
  await page.goto(`/jobs/${job}/cause`);
  await expect(page.getByText('The technician commits the cause.')).toBeVisible();
});

test('intake: a number out of bounds is said at once, kept in the field, and not written', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const job = await newJob(page);
  await page.getByLabel('Year').fill('3011');
  await expect(page.getByText('Between 1950 and 2100.')).toBeVisible();
  await page.getByLabel('Odometer').fill('12 500,5');
  await page.getByLabel('Year').focus();
  await expect.poll(() => recorded(page.request, job, 'vehicle.odometerKm')).toBe(12500.5);
  // "Saved" never stands beside something that is not.
  await expect(page.locator('[data-status]')).toHaveAttribute('data-status', 'refused');
  expect(await recorded(page.request, job, 'vehicle.year')).toBeUndefined();
  await page.reload();
  await expect(page.getByLabel('Year')).toHaveValue('3011');
  await page.getByLabel('Odometer').fill('214.000');
  await expect(page.getByText('Is it 214 or 214000?')).toBeVisible();
  await page.getByLabel('Odometer').fill('214,000');
  await expect.poll(() => recorded(page.request, job, 'vehicle.odometerKm')).toBe(214000);
});

test('teardown: debris by kind, amount and place; a filter seen from outside is said to be', async ({
  page,
}) => {
  await signIn(page, 'mira');
  const job = await makeJob(page);
  await page.goto(`/jobs/${job}/teardown`);
  const next = page.getByTestId('diagnosis').getByText('Most telling next check').locator('+ *');
  await expect(next).toContainText('pressure');
  await page.getByRole('button', { name: /^2 Pan and filter/ }).click();
  const debris = await openRow(page, 'unit.debris');
  await pick(page, 'Amount to mark, debris', 'Heavy');
  await debris.getByRole('button', { name: /^Fine grey paste, sensor tips/ }).click();
  await debris.getByRole('button', { name: /^Fine grey paste, magnets/ }).click();
  await debris.getByRole('button', { name: /^None of the rest/ }).click();
  await openRow(page, 'part.filter');
  await pick(page, 'Filter, how it was looked at', 'From outside only');
  await openRow(page, 'unit.drained');
  await pick(page, 'Fluid as drained, colour', 'Tan, cloudy');
  await saved(page);
  // Water eats the converter's lining: worked out anew after the last press.
  await expect(next).toContainText('converter');
  expect(await recorded(page.request, job, 'unit.debris.grey-paste')).toEqual({
    is: { sensors: 'heavy', magnets: 'heavy' },
  });
  expect(await recorded(page.request, job, 'unit.debris.water')).toEqual({ is: { sump: 'none' } });
  expect(await recorded(page.request, job, 'part.filter.opened')).toEqual({ is: 'outside' });
  expect(await recorded(page.request, job, 'unit.drained.colour')).toEqual({ is: 'cloudy-tan' });
  expect(await recorded(page.request, job, 'unit.fluid.colour')).toBeUndefined();
  await page.getByRole('button', { name: /^1 Torque converter/ }).click();
  await expect(page.getByText('Still in the way')).toHaveCount(0);
  await page.getByRole('button', { name: /^5 Pump and support/ }).click();
  await expect(page.getByText('Still in the way: Torque converter, Band servo.')).toBeVisible();
});

test('a comeback: the earlier job is chosen, and what it found stands at its station', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await newJob(page, 'ostrel-five-x');
  await pick(page, 'Overhauled before', 'Here');
  await page.getByLabel('Comes back from job: number or words').fill('1013');
  await page.keyboard.press('Enter');
  await page.getByRole('button', { name: 'Comes back from job 1013' }).click();
  const then = page.getByRole('region', { name: 'Job 1013' });
  await expect(then).toContainText('Put down to: The filter blocked by itself');
  await expect(then.getByRole('term').filter({ hasText: 'Filter' })).toBeVisible();
  await page.goto(`/jobs/${job}/teardown`);
  await page.getByRole('button', { name: '3 Pan and filter' }).click();
  await expect(page.getByText(/^Found here in job 1013: .*Filter:/)).toBeVisible();
});
