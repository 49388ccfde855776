import { expect, test } from '@playwright/test';
import { makeJob, OURS, signIn } from './helpers';

test('the teardown on paper: blank where nobody looked, filled in where somebody did', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto('/jobs/1007/teardown');
  await page.getByRole('button', { name: /^Job 1007/ }).click();
  await page.getByRole('link', { name: 'Teardown sheet, for paper' }).click();
  const pump = page.getByRole('region', { name: 'Pump and front support' });
  await expect(pump).toContainText(/Face clearance\s*0.04 mm\s*0.020–0.050 mm/);
  await expect(pump).toContainText('SoundMarkedWornFailed');
  await expect(page.getByRole('button', { name: 'Print' })).toBeVisible();
});

test('the findings as CSV: a line each; what looks like a formula stays text', async ({ page }) => {
  await signIn(page, 'mira');
  const job = await makeJob(page, 'ostrel-six');
  const entry = { slot: 'part.k2-drum.condition', value: { is: 'worn', note: '=HYPERLINK("x";"y")' } };
  const sent = await page.request.post(`/api/jobs/${job}/entries`, {
    headers: OURS,
    data: { entries: [{ id: crypto.randomUUID(), ...entry }] },
  });
  expect(sent.ok()).toBe(true);
  const answer = await page.request.get(`/api/jobs/${job}/findings`);
  expect(answer.headers()['content-type']).toContain('text/csv');
  const [head, line] = (await answer.text()).split('\n');
  expect(head).toMatch(/^\uFEFFstation,subject,point,reading,found,/);
  expect(line).toContain('K2 drum,K2 drum,Condition,,worn');
  expect(line).toContain(`"'=HYPERLINK(""x"";""y"")"`);
});
