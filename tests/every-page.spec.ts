import AxeBuilder from '@axe-core/playwright';
import { expect, test } from '@playwright/test';
import type { Page, Response } from '@playwright/test';
import { live, OURS, signIn } from './helpers';

/** Each page is opened once, and looked at in every way at that. */
const PAGES = {
  'of the house': [
    '/',
    '/units',
    '/units/ostrel-four',
    '/units/ostrel-six/edit',
    '/shop',
    '/shelf',
    '/account',
  ],
  'of jobs': [
    '/jobs/1002/intake',
    '/jobs/1011/suspects',
    '/jobs/1002/teardown',
    '/jobs/1003/cause',
    '/jobs/1004/scope',
    '/jobs/1010/scope',
    '/jobs/1003/quote',
  ],
};
/**
 * Both themes write the same tokens on the same places, and every such pair is held in both by a test of its own: one
 * theme of each page is enough here. The pages with most that is drawn, and in mixed colours, are seen in the dark.
 */
const IN_THE_DARK = ['/', '/units/ostrel-four', '/jobs/1002/teardown', '/jobs/1003/quote'];
const DESK = { width: 1280, height: 800 };
/** The narrowest there is. */
const PHONE = { width: 320, height: 640 };

test.use({ hasTouch: true });

for (const [which, paths] of Object.entries(PAGES))
  test(`pages ${which}: a strict policy nothing breaks, fit for a phone, and axe finds nothing serious`, async ({
    page,
  }) => {
    const found: string[] = [];
    page.on('console', (m) => m.text().includes('Content Security Policy') && found.push(m.text()));
    await signIn(page, 'ivo');
    for (const path of paths) {
      await page.setViewportSize(DESK);
      const answer = (await page.goto(path))!;
      await live(page);
      await page.locator('#main h2').first().waitFor();
      await page.waitForLoadState('networkidle');
      const here = [
        ...lax(answer),
        ...(await flaws(page)),
        ...(await serious(page, IN_THE_DARK.includes(path) ? 'dark' : 'light')),
      ];
      found.push(...here.map((words) => `${path}: ${words}`));
    }
    expect(found).toEqual([]);
  });

test('axe finds nothing serious where one signs in, and on the page of a customer', async ({ page }) => {
  await page.goto('/signin');
  expect(await serious(page)).toEqual([]);
  await signIn(page, 'ivo');
  const { path } = await (await page.request.post('/api/jobs/1003/quotes/1/link', { headers: OURS })).json();
  await page.goto(path);
  expect(await serious(page)).toEqual([]);
});

/** What the headers of a page allow that they should not. */
function lax(answer: Response): string[] {
  const { 'content-security-policy': policy = '', 'x-frame-options': frames } = answer.headers();
  return [
    ...(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic'/.test(policy)
      ? []
      : ['scripts without a nonce']),
    ...(/unsafe-eval|style-src-elem[^;]*unsafe-inline/.test(policy) ? ['unsafe scripts or styles'] : []),
    ...(frames === 'DENY' ? [] : ['may be framed']),
  ];
}

/** What of a page lies beyond the edge of a phone, is too small to press, or too small to read. */
async function flaws(page: Page): Promise<string[]> {
  await page.setViewportSize(PHONE);
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

async function serious(page: Page, colorScheme: 'light' | 'dark' = 'light'): Promise<string[]> {
  await page.setViewportSize(DESK);
  await page.evaluate(hideAlike);
  await page.emulateMedia({ colorScheme });
  // What holds is not listed, and there are no frames, for which axe would gather its findings in a page of its own.
  const { violations } = await new AxeBuilder({ page })
    .options({ resultTypes: ['violations'], preload: false, iframes: false })
    .setLegacyMode()
    .analyze();
  return violations
    .filter((v) => v.impact === 'serious' || v.impact === 'critical')
    .map(({ id, nodes }) => {
      const shown = nodes.slice(0, 3).map((n) => n.html.slice(0, 140));
      return `${colorScheme}: ${id}: ${shown.join(' | ')}`;
    });
}

/**
 * Of siblings built alike (same elements, classes and states, all with or without words) two are checked: the
 * hundredth row of a data sheet is found at fault with the first.
 */
function hideAlike(): void {
  const build = (e: Element): string => {
    const states = [...e.attributes]
      .filter(({ name }) => /^(class|role|type|data-|aria-)/.test(name))
      .map(({ name, value }) =>
        /^aria-(label|describe|control|owns)|^data-/.test(name) ? name : name + value,
      );
    const words = [...e.childNodes].some((n) => n.nodeType === Node.TEXT_NODE && n.textContent!.trim());
    return `${e.tagName} ${states.sort().join(' ')} ${words} (${[...e.children].map(build).join()})`;
  };
  const visit = (parent: Element) => {
    const alike = new Map<string, number>();
    for (const e of [...parent.children]) {
      const built = build(e);
      const count = (alike.get(built) ?? 0) + 1;
      alike.set(built, count);
      if (count > 2) (e as HTMLElement | SVGElement).style.setProperty('display', 'none', 'important');
      else visit(e);
    }
  };
  visit(document.body);
}
