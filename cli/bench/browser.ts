import { randomUUID } from 'node:crypto';
import { chromium as browserType } from 'playwright-core';
import type { Page } from 'playwright-core';
import type { Json } from '@/core/case';
import shop from '@/data/demo/shop.json';
import unit from '@/data/units/ostrel-four.json';
import { LAUNCHED } from '../chromium-flags';
import { chromium, ensureDebian } from '../system';
import type { Figure } from './figure';
import { quantile } from './figure';
import { script } from './script';
import type { Served } from './served';

/** As many as a large job comes to, a few refused ones allowed for. */
const FINDINGS = 310;

/** What somebody at a browser waits for. */
export async function browser({ base }: Served): Promise<Figure[]> {
  ensureDebian(chromium, ['chromium']);
  const started = await browserType.launch(LAUNCHED);
  try {
    const page = await started.newPage({ viewport: { width: 1280, height: 800 } });
    const figures = await inBrowser(page, base);
    const scripts = await script(started, page, base);
    const cookies = await page.context().cookies();
    await started.close();
    return [...figures, await fromServer(base, cookies), ...scripts];
  } finally {
    await started.close();
  }
}

/** The server by itself: the browser is gone, which would go on keeping pages for when there is no network. */
async function fromServer(base: string, cookies: { name: string; value: string }[]): Promise<Figure> {
  const cookie = cookies.map((c) => `${c.name}=${c.value}`).join('; ');
  const pages: number[] = [];
  for (let k = 0; k < 15; k++) {
    const started = performance.now();
    await (await fetch(`${base}/jobs/1002/teardown`, { headers: { cookie } })).text();
    pages.push(performance.now() - started);
  }
  return {
    name: 'job page from the server',
    value: quantile(pages, 0.5),
    unit: 'ms',
    budget: 25,
    of: `median of ${pages.length}, whole answer, about ${FINDINGS} findings`,
  };
}

async function inBrowser(page: Page, base: string): Promise<Figure[]> {
  const { id, password } = shop.people.find((p) => p.role === 'technician')!;
  await page.goto(`${base}/signin`);
  await page.getByLabel('Name').fill(id);
  await page.getByLabel('Password').fill(password);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL(`${base}/`);
  const findings = await fill(page, base);
  await page.goto(`${base}/jobs/1002/teardown`);
  await page.locator('[data-testid="diagnosis"]').waitFor();
  const presses = await page.evaluate(pressThirtyTimes);
  const paints = await paintFaces(page);
  return [
    {
      name: 'finding to new ranking on screen, median',
      value: quantile(presses, 0.5),
      unit: 'ms',
      budget: 150,
      of: `${presses.length} presses, ${findings} findings`,
    },
    {
      name: 'finding to new ranking on screen, 95th percentile',
      value: quantile(presses, 0.95),
      unit: 'ms',
      budget: 150,
      of: `${presses.length} presses, ${findings} findings`,
    },
    {
      name: 'press to painted face, 95th percentile',
      value: quantile(paints, 0.95),
      unit: 'ms',
      budget: 50,
      of: `${paints.length} presses, ${findings} findings`,
    },
  ];
}

/** Fills the half-opened job of the demo: every plate measured, and what people said of it. Returns how much it holds. */
async function fill(page: Page, base: string): Promise<number> {
  const at = `${base}/api/jobs/1002/entries`;
  const known = await page.request.get(`${at}?after=0`);
  const { entries: before } = (await known.json()) as { entries: { slot: string }[] };
  const slots = new Set(before.map((e) => e.slot));
  const entries = unit.elements.flatMap((element) =>
    (element.pack?.order ?? []).map((_, k) => ({
      slot: `plate.${element.id}.${k}.thickness`,
      value: { is: 1.7 } as Json,
    })),
  );
  for (let k = 0; slots.size + entries.length < FINDINGS; k++)
    entries.push({ slot: `history.opinion.said-${k}`, value: { said: 'It has always shifted late.' } });
  for (let from = 0; from < entries.length; from += 100)
    await page.request.post(at, {
      headers: { 'x-pelvik': '1' },
      data: { entries: entries.slice(from, from + 100).map((e) => ({ id: randomUUID(), ...e })) },
    });
  const after = (await (await page.request.get(`${at}?after=0`)).json()) as { entries: { slot: string }[] };
  return new Set(after.entries.map((e) => e.slot)).size;
}

/** Opens a pack, paints its faces by their keys one after the other, and takes the time until each is on screen. */
async function paintFaces(page: Page): Promise<number[]> {
  const pack = page.locator('[data-subject="element.high"]');
  const opener = pack.locator('button[aria-expanded]').first();
  if ((await opener.getAttribute('aria-expanded')) !== 'true') await opener.click();
  return pack.getByRole('application').evaluate(async (drawing) => {
    const times: number[] = [];
    const faces = drawing.querySelectorAll('[data-face]').length;
    for (const key of ['4', '5', '0']) {
      drawing.dispatchEvent(new KeyboardEvent('keydown', { key: 'Home', bubbles: true }));
      await new Promise((resolve) => setTimeout(resolve, 60));
      for (let k = 0; k < faces; k++) {
        // A press that leaves its face as it lay paints nothing; there is nothing to time.
        const changed = new Promise<boolean>((resolve) => {
          const observer = new MutationObserver(() => {
            observer.disconnect();
            requestAnimationFrame(() => resolve(true));
          });
          observer.observe(drawing, { subtree: true, attributes: true, attributeFilter: ['data-grade'] });
          setTimeout(() => resolve(false), 1000);
        });
        const started = performance.now();
        drawing.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
        if (await changed) times.push(performance.now() - started);
        await new Promise((resolve) => setTimeout(resolve, 60));
      }
    }
    return times;
  });
}

/** Runs in the page: grades a part back and forth and waits for the panel to be drawn anew each time. */
async function pressThirtyTimes(): Promise<number[]> {
  const panel = document.querySelector('[data-testid="diagnosis"]')!;
  const buttons = [
    ...document.querySelectorAll<HTMLElement>(
      '[role="radiogroup"][aria-label="High piston outer seal"] [role="radio"]',
    ),
  ];
  const times: number[] = [];
  for (let k = 0; k < 30; k++) {
    const button = buttons.find((b) => b.textContent === (k % 2 ? 'Sound' : 'Failed'))!;
    const changed = new Promise<void>((resolve) => {
      const observer = new MutationObserver(() => {
        observer.disconnect();
        // The next frame is when it is on screen.
        requestAnimationFrame(() => resolve());
      });
      observer.observe(panel, { subtree: true, childList: true, characterData: true, attributes: true });
    });
    const started = performance.now();
    button.click();
    await changed;
    times.push(performance.now() - started);
    await new Promise((resolve) => setTimeout(resolve, 150));
  }
  return times;
}
