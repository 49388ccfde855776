import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { signIn } from './helpers';

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

const PAGES = [
  '/',
  '/jobs/1002/intake',
  '/jobs/1005/suspects',
  '/jobs/1002/teardown',
  '/jobs/1003/cause',
  '/jobs/1004/scope',
  '/jobs/1003/quote',
  '/units',
  '/units/ostrel-four',
  '/shop',
  '/shelf',
  '/jobs/1010/scope',
  '/account',
];

/** What of a page lies beyond its edge, is too small to press, or too small to read. */
async function flaws(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const found: string[] = [];
    const seen = (e: Element) => e.getClientRects().length > 0 && getComputedStyle(e).visibility !== 'hidden';
    const name = (e: Element) =>
      `${e.tagName.toLowerCase()} "${(e.getAttribute('aria-label') ?? e.textContent ?? '').trim().slice(0, 40)}"`;
    if (document.documentElement.scrollWidth > innerWidth)
      found.push(`the page is ${document.documentElement.scrollWidth} px wide`);
    for (const e of document.querySelectorAll(
      'button, [role="radio"], select, input:is([type="text"], [type="search"], [type="password"]), header a, nav a',
    )) {
      const { width, height } = e.getBoundingClientRect();
      // What is hidden behind its own label is pressed there.
      if (!seen(e) || e.closest('svg') || width < 2 || e.closest('[data-rac][class*="VisuallyHidden"]'))
        continue;
      if (height < 43.5) found.push(`${name(e)} is ${Math.round(height)} px high`);
    }
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = texts.nextNode(); node; node = texts.nextNode()) {
      const e = node.parentElement!;
      if (!node.textContent!.trim() || e.closest('svg, script, style') || !seen(e)) continue;
      const size = parseFloat(getComputedStyle(e).fontSize);
      if (size < 12) found.push(`${name(e)} is written in ${size} px`);
    }
    return [...new Set(found)].slice(0, 12);
  });
}

test('on a phone nothing lies beyond the edge, nothing is too small to press or to read', async ({
  page,
}) => {
  test.setTimeout(120_000);
  await signIn(page, 'ivo');
  const all: string[] = [];
  for (const path of PAGES) {
    await page.goto(path);
    await page.waitForLoadState('networkidle');
    all.push(...(await flaws(page)).map((f) => `${path}: ${f}`));
  }
  expect(all).toEqual([]);
});

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
