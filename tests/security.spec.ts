import { expect, test } from '@playwright/test';
import { makeJob, OURS, signIn, signInByHand } from './helpers';

test('without a session pages lead to sign-in and the interface says so', async ({ page }) => {
  await page.goto('/jobs/1001/intake');
  await expect(page).toHaveURL(/signin/);
  const answer = await page.request.get('/api/jobs/1001/entries');
  expect(answer.status()).toBe(401);
  expect((await answer.json()).error.remedy).toContain('Sign in');
});

test('an invented session opens nothing', async ({ page, context, baseURL }) => {
  await context.addCookies([{ name: 'pelvik_session', value: 'A'.repeat(43), url: baseURL! }]);
  expect((await page.request.get('/api/jobs')).status()).toBe(401);
});

test('what jobs reason with is kept for good, by those who are signed in, and only as it is', async ({
  page,
  request,
}) => {
  await signIn(page, 'mira');
  const html = await (await page.request.get('/jobs/1002/teardown')).text();
  const address = /\/api\/library\/ostrel-four\/\d+\/[0-9a-f]+/.exec(html)![0];
  const answer = await page.request.get(address);
  expect(answer.headers()['cache-control']).toContain('immutable');
  expect((await answer.json()).unit.id).toBe('ostrel-four');
  expect((await request.get(address)).status()).toBe(401);
  for (const other of [`${address}0`, address.replace(/\/\d+\//, '/99/'), address.replace(/\/\d+\//, '/x/')])
    expect((await page.request.get(other)).status(), other).toBe(404);
});

test('a request from elsewhere is refused even with the cookie', async ({ page }) => {
  await signIn(page, 'mira');
  expect((await page.request.post('/api/jobs', { data: { unit: 'ostrel-four' } })).status()).toBe(403);
  const foreign = { ...OURS, origin: 'http://elsewhere.example' };
  expect(
    (await page.request.post('/api/jobs', { headers: foreign, data: { unit: 'ostrel-four' } })).status(),
  ).toBe(403);
});

test('guessing from one address is slowed down', async ({ page }) => {
  const guess = () =>
    page.request.post('/api/session', {
      headers: { ...OURS, 'x-forwarded-for': '192.0.2.77' },
      data: { id: 'nobody', password: 'wrong-wrong-wrong' },
    });
  const answers = [];
  for (let k = 0; k < 31; k++) answers.push((await guess()).status());
  expect(answers.slice(0, 30)).toEqual(new Array(30).fill(401));
  expect(answers[30]).toBe(429);
});

test('the owner’s page and the counter’s work stay theirs', async ({ page }) => {
  await signIn(page, 'mira');
  await page.goto('/shop');
  await expect(page.getByRole('heading', { name: 'This page is the owner’s' })).toBeVisible();
  const link = await page.request.post('/api/jobs/1003/quotes/1/link', { headers: OURS });
  expect(link.status()).toBe(403);
  expect((await link.json()).error.remedy).toContain('counter or owner');
});

test('bad input gets a clear answer', async ({ page }) => {
  await signIn(page, 'ivo');
  const post = (path: string, data: string | object) =>
    page.request.post(path, {
      headers: { ...OURS, 'content-type': 'application/json' },
      data: typeof data === 'string' ? Buffer.from(data) : data,
    });
  const cut = await post('/api/cases', '{"format":"pelvik-case/1","unit":"ostrel');
  expect(cut.status()).toBe(400);
  expect((await cut.json()).error.problems[0].message).toContain('not valid JSON');
  const wrong = await post('/api/cases', {
    format: 'pelvik-case/1',
    unit: 'ostrel-four',
    findings: [{ slot: 'vehicle.odometerKm', value: 1e99 }],
  });
  expect((await wrong.json()).error.problems[0].pointer).toBe('/findings/0/value');
  const huge = await post('/api/cases', `{"x":"${'y'.repeat(129 * 1024 * 1024)}"}`);
  expect(huge.status()).toBe(413);
  const large = await post('/api/jobs/1001/entries', `{"entries":"${'y'.repeat(600 * 1024)}"}`);
  expect(large.status()).toBe(413);
  expect((await page.request.get('/api/jobs/999999/entries')).status()).toBe(404);
  await page.goto('/jobs/999999/intake');
  await expect(page.getByRole('heading', { name: 'There is no such job' })).toBeVisible();
});

test('a stale or unknown customer link says what to do and shows nothing', async ({ page }) => {
  expect((await page.goto(`/q/${'B'.repeat(43)}`))!.status()).toBe(404);
  await expect(page.getByRole('heading', { name: 'This link is not known.' })).toBeVisible();
  await signIn(page, 'ivo');
  const { path } = await (await page.request.post('/api/jobs/1003/quotes/1/link', { headers: OURS })).json();
  await page.request.delete('/api/jobs/1003/quotes/1/link', { headers: OURS });
  expect((await page.goto(path))!.status()).toBe(410);
  await expect(page.getByRole('heading', { name: 'This link is no longer valid.' })).toBeVisible();
  await expect(page.getByText('Sunniva')).toHaveCount(0);
});

test('signing out ends the session on the server too', async ({ page, context }) => {
  await signInByHand(page, 'tobin');
  const cookies = await context.cookies();
  expect(cookies.find((c) => c.name === 'pelvik_session')).toMatchObject({
    httpOnly: true,
    sameSite: 'Strict',
  });
  await page.getByRole('button', { name: /sign out/ }).click();
  await page.waitForURL(/signin/);
  await context.addCookies(cookies);
  expect((await page.request.get('/api/jobs')).status()).toBe(401);
});

test('a write names whose it is, and is refused in another’s name or from before a restored backup', async ({
  page,
  baseURL,
}) => {
  await signIn(page, 'tobin');
  const job = await makeJob(page);
  const origin = new URL(baseURL!).origin;
  const write = (headers: Record<string, string>) =>
    page.request.post(`/api/jobs/${job}/entries`, {
      headers: { ...OURS, ...headers },
      data: { entries: [{ id: crypto.randomUUID(), slot: 'complaint.words', value: 'x' }] },
    });
  const before = await write({ 'x-pelvik-person': 'tobin' });
  expect(before.status()).toBe(200);
  const generation = before.headers()['x-pelvik-generation']!;
  const other = await write({ 'x-pelvik-person': 'mira' });
  expect([other.status(), (await other.json()).error.kind]).toEqual([409, 'other-person']);
  // A browser's page that does not say whose it is.
  expect((await write({ origin })).status()).toBe(409);
  expect((await write({ origin, 'x-pelvik-person': 'tobin' })).status()).toBe(200);
  const restored = await write({ 'x-pelvik-generation': crypto.randomUUID() });
  expect([restored.status(), (await restored.json()).error.kind]).toEqual([409, 'restored']);
  expect((await write({ 'x-pelvik-generation': generation })).status()).toBe(200);
  // Listening says so too, so that a page of somebody else notices.
  const news = await page.request.get(`/api/jobs/${job}/entries?after=0`, {
    headers: { 'x-pelvik-person': 'mira' },
  });
  expect(news.status()).toBe(409);
});
