import { expect, test } from '@playwright/test';
import type { Browser, Page } from '@playwright/test';
import { OURS, signIn, writeEntries } from './helpers';

/** A quote of a job of its own, sent: the customer's address. */
async function sent(page: Page, complaint = 'No second gear.'): Promise<{ job: number; path: string }> {
  await signIn(page, 'ivo');
  const post = async (path: string, data?: object) =>
    (await page.request.post(path, { headers: OURS, ...(data ? { data } : {}) })).json();
  const { number: job } = await post('/api/cases', {
    format: 'pelvik-case/2',
    unit: 'ostrel-four',
    findings: [
      { slot: 'customer.name', value: 'Isaura Tennant' },
      { slot: 'vehicle.make', value: 'Marrick' },
      { slot: 'vehicle.value', value: 300000 },
      { slot: 'complaint.words', value: complaint },
      { slot: 'grid.D2.shop', value: { any: { behaviours: ['flares'] } } },
      { slot: 'element.band-2-4.lining', value: { is: 'torn' } },
    ],
  });
  await post(`/api/jobs/${job}/quotes`);
  const { path } = await post(`/api/jobs/${job}/quotes/1/link`);
  return { job, path };
}

const PHONE = { viewport: { width: 390, height: 844 }, hasTouch: true };

async function phone(browser: Browser, path: string): Promise<Page> {
  const context = await browser.newContext(PHONE);
  const page = await context.newPage();
  await page.goto(path);
  return page;
}

test('a customer reads it on a phone: nothing sticks out, sums add up, little is sent, and scripts are not needed', async ({
  page,
  browser,
}) => {
  const { path } = await sent(page, `No second gear. ${'W'.repeat(400)} \u202eمرحبا <b>x</b> 🛠️`);
  const customer = await (await browser.newContext(PHONE)).newPage();
  const scripts: Promise<number>[] = [];
  customer.on('response', (answer) => {
    if (answer.request().resourceType() === 'script')
      scripts.push(
        answer
          .request()
          .sizes()
          .then((s) => s.responseBodySize),
      );
  });
  await customer.goto(path, { waitUntil: 'networkidle' });
  await expect(customer.getByText(/“No second gear\. .*<b>x<\/b>/)).toBeVisible();
  expect(await customer.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
  await expect(customer.getByText(/not yet determined what failed first/)).toBeVisible();
  await expect(customer.getByRole('heading', { name: 'What could still change' })).toBeVisible();
  await expect(customer.getByText('Of its value').first()).toBeVisible();

  const bytes = (await Promise.all(scripts)).reduce((a, b) => a + b, 0);
  expect(bytes).toBeGreaterThan(0);
  expect(bytes).toBeLessThan(100_000);

  const lists = customer.getByText('Every line of it');
  for (let k = 0; k < (await lists.count()); k++) await lists.nth(k).click();
  const cents = (text: string) => Math.round(Number(text.replace(/[^\d.-]/g, '')) * 100);
  const listed = await customer
    .locator('details')
    .filter({ has: customer.getByText('Every line of it') })
    .locator('table')
    .all();
  expect(listed.length).toBeGreaterThan(1);
  for (const table of listed) {
    const amounts = (await table.locator('td:last-child').allTextContents()).map(cents);
    const total = amounts.pop()!;
    expect(amounts.reduce((a, b) => a + b, 0)).toBe(total);
  }
  await customer.context().close();

  const context = await browser.newContext({ javaScriptEnabled: false });
  const plain = await context.newPage();
  await plain.goto(path);
  await expect(plain.getByRole('heading', { name: 'What we propose', exact: true })).toBeVisible();
  await expect(plain.getByRole('radio', { name: /Targeted repair/ })).toBeVisible();
  // Chromium driven this way reads `noscript` as if scripts ran.
  expect(await plain.content()).toContain('allow scripts for this page');
  await context.close();
});

test('a question keeps the quote open and reaches the shop; a no is kept with the name, and can become a yes', async ({
  page,
  browser,
}) => {
  const { job, path } = await sent(page);
  const customer = await phone(browser, path);
  await expect(customer.getByRole('button', { name: 'Ask' })).toBeDisabled();
  await customer.getByLabel('Your name, typed, is your signature').fill('Isaura Tennant');
  await customer.getByLabel('A question or a remark').fill('Is the band the cause?');
  await customer.getByRole('button', { name: 'Ask' }).click();
  await expect(customer.getByText('Isaura Tennant: “Is the band the cause?”')).toBeVisible();
  await expect(customer.getByRole('radio', { name: /Targeted repair/ })).toBeEnabled();
  await page.goto(`/jobs/${job}/quote`);
  await expect(page.getByText('“Is the band the cause?”')).toBeVisible();

  await customer.getByLabel('Your name, typed, is your signature').fill('Isaura Tennant');
  await customer.getByRole('button', { name: 'Decline' }).click();
  await expect(customer.getByText(/Isaura Tennant: declined/)).toBeVisible();
  await customer.getByRole('radio', { name: /Full overhaul/ }).check();
  await customer.getByLabel('Your name, typed, is your signature').fill('Isaura Tennant');
  await customer.getByRole('button', { name: 'Accept: Full overhaul' }).click();
  await expect(customer.getByRole('status')).toContainText('Isaura Tennant accepted “Full overhaul”');
  await customer.reload();
  await expect(customer.getByRole('radio', { name: /Targeted repair/ })).toBeDisabled();
  await customer.context().close();
});

test('what is typed on the phone survives a reload, and with what was chosen an answer that cannot be sent', async ({
  page,
  browser,
}) => {
  const { path } = await sent(page);
  const customer = await phone(browser, path);
  await customer.getByLabel('A question or a remark').pressSequentially('Could you');
  await customer.reload();
  await expect(customer.getByLabel('A question or a remark')).toHaveValue('Could you');
  await customer.getByRole('radio', { name: /Targeted repair/ }).check();
  await customer.getByLabel('Your name, typed, is your signature').fill('Isaura Tennant');
  await customer.context().setOffline(true);
  await customer.getByRole('button', { name: 'Accept: Targeted repair' }).click();
  await expect(customer.getByRole('alert')).toContainText('No connection');
  await customer.context().setOffline(false);
  await customer.getByRole('button', { name: 'Accept: Targeted repair' }).click();
  await expect(customer.getByRole('status')).toContainText('Isaura Tennant accepted “Targeted repair”');
  await expect(customer.locator('#answered')).toBeFocused();
  await customer.context().close();
});

test('a newer version closes the older link’s answers', async ({ page, browser }) => {
  const { job, path } = await sent(page);
  await page.request.post(`/api/jobs/${job}/quotes`, { headers: OURS });
  const customer = await phone(browser, path);
  await expect(customer.getByText('The shop has made a newer quote.')).toBeVisible();
  const answer = await customer.request.post(`/api${path}`, {
    headers: OURS,
    data: { kind: 'accept', option: 'targeted', name: 'Isaura Tennant' },
  });
  expect(answer.status()).toBe(409);
  await customer.context().close();
});

test('found, measured against its limit, sound; what the shop leaves out is not told; a clip is played', async ({
  page,
  browser,
}) => {
  const { job } = await sent(page);
  const clip = crypto.randomUUID();
  const put = (body: string) =>
    page.request.put(`/api/jobs/${job}/clips/${clip}`, {
      headers: { ...OURS, 'content-type': 'application/octet-stream' },
      data: Buffer.from(body, 'latin1'),
    });
  expect((await put('<html>no clip</html>')).status()).toBe(415);
  expect((await put('\x1a\x45\xdf\xa3\x9fB\x86\x81\x01B\xf7\x81\x01B\x82\x84webm')).status()).toBe(201);
  await writeEntries(page, job, {
    [`clip.${clip}`]: { caption: 'The band, torn' },
    'part.sun-shell.condition': { is: 'failed' },
    'part.reverse-drum.condition': { is: 'sound' },
    'solenoid.S1.resistance': { is: 41, temperatureC: 20 },
    'quote.without.part-sun-shell-condition': true,
  });
  const post = (path: string) => page.request.post(path, { headers: OURS });
  expect((await post(`/api/jobs/${job}/quotes`)).status()).toBe(201);
  const { path } = (await (await post(`/api/jobs/${job}/quotes/2/link`)).json()) as { path: string };
  const customer = await phone(browser, path);
  const found = customer.getByRole('list', { name: 'Found' });
  await expect(found).toContainText('2-4 band, lining: torn');
  await expect(found).not.toContainText('Sun shell');
  await expect(customer.getByText('Looked at and sound: Reverse drum.')).toBeVisible();
  await expect(customer.getByRole('row', { name: /Shift solenoid S1, resistance/ })).toContainText(
    '41.0 Ω (outside)',
  );
  await expect(customer.getByLabel('The band, torn')).toBeVisible();
  const address = `/api/q/${path.split('/').pop()}/clips`;
  const piece = await customer.request.get(`${address}/${clip}`, { headers: { range: 'bytes=0-3' } });
  expect([piece.status(), piece.headers()['content-type']]).toEqual([206, 'video/webm']);
  expect((await customer.request.get(`${address}/${crypto.randomUUID()}`)).status()).toBe(404);
  expect((await customer.request.get(`/api/jobs/${job}/clips/${clip}`)).status()).toBe(401);
  for (const [paper, width] of [
    ['a4', '595'],
    ['letter', '612'],
  ]) {
    const answer = await customer.request.get(`${path}/pdf?paper=${paper}`);
    expect(answer.headers()['content-type']).toBe('application/pdf');
    const pdf = (await answer.body()).toString('latin1');
    expect(pdf).toContain(`/MediaBox [0 0 ${width}`);
    // The ohms have a face of their own: without it they would be another sign.
    expect(pdf).toContain('NotoSans');
  }
  await customer.context().close();
});
