import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { PAGES } from '@/core/stage';
import { closePool, inDatabase, jobWith } from '@/tests/test-database';
import { jobDocuments } from './job-documents';
import { cookieName, openSession } from './sessions';
import { JOB_ELEMENT, SHELL_HEADER, SHELL_NUMBER } from './shell';

afterAll(closePool);

const NONCE = 'drawn0nce';
const SHELL = `<!DOCTYPE html><html><head><title>Job ${SHELL_NUMBER}</title><script nonce="${NONCE}"></script></head><body><a href="/jobs/${SHELL_NUMBER}/teardown">Teardown</a></body></html>`;
const drawn = (html = SHELL, status = 200) =>
  new Response(html, {
    status,
    headers: {
      'content-type': 'text/html; charset=utf-8',
      'content-security-policy': `script-src 'self' 'nonce-${NONCE}'`,
      'cache-control': 'private, no-store',
      date: 'Mon, 01 Jan 2024 00:00:00 GMT',
    },
  });

interface Asked {
  url: string;
  headers?: Record<string, string>;
  method?: string;
}

/** What comes of a request; null where it is left to Next. */
async function asked({ url, headers = {}, method }: Asked, ask = async () => drawn()) {
  const documents = await jobDocuments(ask);
  const server = createServer((request, response) => {
    void documents.answer(request, response).then((done) => {
      if (!done) response.writeHead(418).end();
    });
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port } = server.address() as AddressInfo;
  try {
    const answer = await fetch(`http://127.0.0.1:${port}${url}`, { headers, method });
    const html = await answer.text();
    return answer.status === 418 ? null : { html, headers: answer.headers };
  } finally {
    server.closeAllConnections();
    server.close();
  }
}

async function signedInWithJob(words = 'Slips in top') {
  const { number, who } = await jobWith({ 'complaint.words': words });
  const cookie = `${cookieName(false)}=${await inDatabase((c) => openSession(c, who.id))}`;
  return { number, who, headers: { cookie } };
}
const jobIn = (html: string) =>
  JSON.parse(new RegExp(`id="${JOB_ELEMENT}"[^>]*>(.*?)</script>`).exec(html)![1]!);

test('the job, its number and a nonce of its own are put into the shell', async () => {
  const { number, who, headers } = await signedInWithJob();
  const first = (await asked({ url: `/jobs/${number}/teardown`, headers }))!;
  expect(first.html).not.toContain(SHELL_NUMBER);
  expect(first.html).toContain(`<title>Job ${number}</title>`);
  expect(first.html).toContain(`href="/jobs/${number}/teardown"`);
  expect(first.html).toContain(`data-pelvik-person="${who.id}"`);
  const start = jobIn(first.html);
  expect(start).toMatchObject({ number, user: { id: who.id, role: 'technician' }, closed: false });
  expect(start.state['complaint.words'].value).toBe('Slips in top');
  expect(first.html).toContain(`<link rel="preload" href="${start.library}" as="fetch"`);
  expect(first.html.match(/<html>|<title>|<\/head>|<\/html>/g)).toHaveLength(4);
  const nonce = /nonce="([^"]+)"/.exec(first.html)![1]!;
  expect(nonce).not.toBe(NONCE);
  expect(first.headers.get('content-security-policy')).toBe(`script-src 'self' 'nonce-${nonce}'`);
  expect(first.headers.get('cache-control')).toBe('private, no-store');
  expect(first.headers.get('date')).not.toMatch(/2024/);
  const second = (await asked({ url: `/jobs/${number}/teardown`, headers }))!;
  expect(second.html).not.toContain(nonce);
});

test('what somebody typed ends no script and is no place to fill', async () => {
  const words = `</script><script>alert(1)</script> ${NONCE} ${SHELL_NUMBER} $& </head>`;
  const { number, headers } = await signedInWithJob(words);
  const { html } = (await asked({ url: `/jobs/${number}/teardown`, headers }))!;
  expect(html.match(/<script/g)).toHaveLength(2);
  expect(jobIn(html).state['complaint.words'].value).toBe(words);
});

test('a browser that takes none is sent it uncompressed', async () => {
  const { number, headers } = await signedInWithJob();
  const url = `/jobs/${number}/quote`;
  const plain = (await asked({ url, headers: { ...headers, 'accept-encoding': 'identity' } }))!;
  const small = (await asked({ url, headers: { ...headers, 'accept-encoding': 'gzip' } }))!;
  expect(plain.headers.get('content-encoding')).toBeNull();
  expect(small.headers.get('content-encoding')).toBe('gzip');
  expect(jobIn(small.html)).toEqual(jobIn(plain.html));
});

describe('left to Next', () => {
  let number: number;
  let headers: Record<string, string>;
  beforeAll(async () => ({ number, headers } = await signedInWithJob()));

  test.each([
    ['nobody signed in', () => ({ url: `/jobs/${number}/teardown` })],
    [
      'a session there is not',
      () => ({ url: `/jobs/${number}/teardown`, headers: { cookie: `${cookieName(false)}=x` } }),
    ],
    ['a job there is not', () => ({ url: '/jobs/99999999/teardown', headers })],
    ['a page there is not', () => ({ url: `/jobs/${number}/nowhere`, headers })],
    ['an address that ends like a page', () => ({ url: `/old/jobs/${number}/teardown`, headers })],
    ['the way to a job', () => ({ url: `/jobs/${number}`, headers })],
    ['a question with the address', () => ({ url: `/jobs/${number}/teardown?a=1`, headers })],
    [
      'the data of a page alone',
      () => ({ url: `/jobs/${number}/teardown`, headers: { ...headers, rsc: '1' } }),
    ],
    ['a write', () => ({ url: `/jobs/${number}/teardown`, headers, method: 'POST' })],
  ])('%s', async (_, of) => expect(await asked(of())).toBeNull());

  test.each([
    ['it was not drawn', async () => drawn(SHELL, 500)],
    ['it did not come', () => Promise.reject(new Error('no'))],
    ['it states how long a part of it is', async () => drawn(`${SHELL}1a:T5f3,`)],
    ['it has no head to put the job into', async () => drawn('<html></html>')],
    ['it has no nonce', async () => new Response(SHELL)],
  ])('a shell that cannot be filled: %s', async (_, ask) =>
    expect(await asked({ url: `/jobs/${number}/teardown`, headers }, ask)).toBeNull(),
  );
});

test('every page of a job is drawn as a shell once, and the sheet', async () => {
  const drawings: [string, Record<string, string>][] = [];
  await jobDocuments(async (url, headers) => {
    drawings.push([url, headers]);
    return drawn();
  });
  expect(drawings).toEqual(
    [...PAGES, 'sheet'].map((page) => [`/jobs/${SHELL_NUMBER}/${page}`, { [SHELL_HEADER]: '1' }]),
  );
});
