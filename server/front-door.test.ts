import { createServer } from 'node:http';
import type { Server } from 'node:http';
import { request } from 'node:http';
import type { AddressInfo } from 'node:net';
import { frontDoor, readable } from './front-door';

let server: Server | undefined;
afterEach(() => new Promise((resolve) => (server ? server.close(resolve) : resolve(undefined))));

/** What a request looks like behind the door, or the door's own answer. */
async function through(proxies: string[], path: string, headers: Record<string, string> = {}) {
  const door = frontDoor(proxies);
  server = createServer((req, res) => {
    if (door.admit(req, res)) res.end(JSON.stringify(req.headers));
  });
  await new Promise<void>((resolve) => server!.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  return new Promise<{ status: number; text: string; hsts?: string }>((resolve, reject) =>
    request({ host: '127.0.0.1', port, path, headers, agent: false }, (res) => {
      let text = '';
      res.on('data', (d) => (text += d));
      res.on('end', () =>
        resolve({ status: res.statusCode!, text, hsts: res.headers['strict-transport-security'] }),
      );
    })
      .on('error', reject)
      .end(),
  );
}
const FORGED = {
  'x-forwarded-for': '203.0.113.9',
  'x-forwarded-proto': 'https',
  'x-forwarded-host': 'elsewhere.example',
  'x-pelvik-address': '203.0.113.10',
  'x-pelvik-secure': '1',
  'x-pelvik-shell': '1',
};

test('what anybody claims of where he comes from is believed from nobody', async () => {
  const { text, hsts } = await through([], '/', FORGED);
  const seen = JSON.parse(text);
  expect(seen['x-pelvik-address']).toBe('127.0.0.1');
  for (const name of [
    'x-pelvik-secure',
    'x-pelvik-shell',
    'x-forwarded-for',
    'x-forwarded-host',
    'x-forwarded-proto',
  ])
    expect(seen[name]).toBeUndefined();
  expect(hsts).toBeUndefined();
});

test('a proxy that is trusted is believed, and TLS is demanded from then on', async () => {
  const { text, hsts } = await through(['127.0.0.1'], '/', FORGED);
  const seen = JSON.parse(text);
  expect(seen['x-pelvik-address']).toBe('203.0.113.9');
  expect(seen['x-pelvik-secure']).toBe('1');
  expect(hsts).toMatch(/max-age=\d{7,}/);
});

test('only the last step before the trusted proxy counts, whatever was claimed further out', async () => {
  const { text } = await through(['127.0.0.1'], '/', { 'x-forwarded-for': '198.51.100.1, 203.0.113.9' });
  expect(JSON.parse(text)['x-pelvik-address']).toBe('203.0.113.9');
});

test.each(['/%00', '/%FF', '/jobs/%E0%A4%A', '/?q=%00', '/?q=%FF', `/${'x'.repeat(5000)}`])(
  'an address like %.20s cannot be read, and is answered as such',
  async (path) => {
    expect(readable(path)).toBe(false);
    const page = await through([], path);
    expect([page.status, page.text.includes('<h1>This address cannot be read.</h1>')]).toEqual([400, true]);
  },
);

test('the API answers an unreadable address in its own form', async () => {
  const { status, text } = await through([], '/api/jobs?q=%00');
  expect(status).toBe(400);
  expect(JSON.parse(text).error.remedy).toMatch(/./);
});

test.each(['/', '/jobs/1001/intake', '/?q=%D9%85%D8%B1', '/?q=a+b', '/q/abc_-'])('%s can be read', (path) =>
  expect(readable(path)).toBe(true),
);
