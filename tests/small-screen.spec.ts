import { expect, test } from '@playwright/test';
import { signIn } from './helpers';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

test('the steps of a job do not lie over each other', async ({ page }) => {
  await signIn(page, 'ivo');
  await page.goto('/jobs/1003/cause');
  const boxes = await page
    .getByRole('navigation', { name: 'Stages' })
    .locator('li')
    .evaluateAll((list) => list.map((e) => e.getBoundingClientRect().toJSON() as DOMRect));
  const over = (a: DOMRect, b: DOMRect) =>
    a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1;
  expect(boxes.flatMap((a, i) => boxes.slice(i + 1).filter((b) => over(a, b)))).toEqual([]);
});

test('a name and the answers beside it do not lie over each other', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto('/jobs/1002/teardown');
  await page.locator('[data-subject="part.high-drum"]').waitFor();
  const over = await page.locator('[data-subject]').evaluateAll((rows) =>
    rows.flatMap((row) => {
      const name = row.querySelector('button[aria-expanded] b')?.getBoundingClientRect();
      const answers = row.querySelector('[role="radiogroup"]')?.getBoundingClientRect();
      if (!name || !answers) return [];
      const apart = name.right <= answers.left || name.bottom <= answers.top;
      return apart ? [] : [row.getAttribute('data-subject')];
    }),
  );
  expect(over).toEqual([]);
});

test('the verdict lies folded over the lower edge, and opens', async ({ page }) => {
  await signIn(page, 'ivo');
  await page.goto('/jobs/1003/cause');
  const panel = page.getByTestId('diagnosis');
  await expect(panel).toBeVisible();
  await expect(panel.getByText('Most telling next check')).toBeHidden();
  expect((await panel.boundingBox())!.height).toBeLessThan(90);
  await panel.getByRole('button', { expanded: false }).click();
  await expect(panel.getByText('Most telling next check')).toBeVisible();
});
