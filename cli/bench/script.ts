import type { Browser, Page } from 'playwright-core';
import { PAGES } from '@/core/stage';
import { OURS, signIn } from '../sign-in';
import type { Figure } from './figure';

const STAGE_KB = 220;
const CUSTOMER_KB = 100;

/** What a browser that was never here is sent of script, compressed, before a page can be worked with. */
export async function script(browser: Browser, page: Page, base: string): Promise<Figure[]> {
  const owner = { ...OURS, cookie: await signIn(base, 'ivo') };
  const link = await fetch(`${base}/api/jobs/1003/quotes/1/link`, { method: 'POST', headers: owner });
  const { path } = (await link.json()) as { path: string };
  const cookies = await page.context().cookies();
  const places = [
    ['the board', '/', STAGE_KB],
    ...PAGES.map((stage) => [stage, `/jobs/1003/${stage}`, STAGE_KB] as const),
    ['the customer’s page', path, CUSTOMER_KB],
  ] as const;
  const figures: Figure[] = [];
  for (const [name, at, budget] of places) {
    const context = await browser.newContext({ serviceWorkers: 'block' });
    await context.addCookies(cookies);
    const fresh = await context.newPage();
    await fresh.goto(base + at, { waitUntil: 'networkidle' });
    const bytes = await fresh.evaluate(() =>
      performance
        .getEntriesByType('resource')
        .filter((r) => r.name.endsWith('.js'))
        .reduce((sum, r) => sum + (r as PerformanceResourceTiming).encodedBodySize, 0),
    );
    await context.close();
    figures.push({ name: `script of ${name}`, value: bytes / 1000, unit: 'kB', budget, of: 'first load' });
  }
  return figures;
}
