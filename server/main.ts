import { createServer } from 'node:http';
import type { IncomingMessage, ServerResponse } from 'node:http';
import type { AddressInfo } from 'node:net';
import path from 'node:path';
import next from 'next';
import sirv from 'sirv';
import { closeBackground, warmBackground } from './background';
import { closePool, databaseAnswers } from './db';
import { frontDoor, plainPage } from './front-door';
import { jobDocuments } from './job-documents';
import type { JobDocuments } from './job-documents';
import { linkRates } from './link-rates';
import { log, safePath } from './log';
import { inProcesses } from './processes';

/**
 * The server process: the front door, then Next. Loopback only unless PELVIK_HOST says otherwise. Several of them may
 * serve one database.
 */
const port = Number(process.env.PORT ?? 4180);
const host = process.env.PELVIK_HOST ?? '127.0.0.1';
const dev = process.env.NODE_ENV === 'development';
const proxies = (process.env.PELVIK_TRUSTED_PROXIES ?? '').split(',').map((p) => p.trim());

const FILES = { etag: true, immutable: true, maxAge: 365 * 24 * 3600, brotli: true, gzip: true } as const;

/** While developing, Next serves its own. */
const OWN_FILES = dev ? /^\/_next\/static(\/customer\/.+)$/ : /^\/_next\/static(\/.+)$/;

/** How long an answer about the database stays good, ms. */
const FRESH = 1000;

async function main(): Promise<void> {
  const app = next({ dev, hostname: host, port, turbopack: true });
  await app.prepare();
  const handle = app.getRequestHandler();
  const door = frontDoor(proxies.filter(Boolean));
  // The program's own files, compressed by the build; their names change with their content.
  const files = sirv(path.join(process.cwd(), '.next', 'static'), FILES);
  const server = createServer((request, response) => {
    if (!door.admit(request, response)) return;
    const file = OWN_FILES.exec(request.url ?? '')?.[1];
    if (file) {
      response.setHeader('X-Content-Type-Options', 'nosniff');
      files(Object.assign(request, { url: file }), response, () => {
        response.writeHead(404, { 'cache-control': 'no-store' });
        response.end();
      });
      return;
    }
    void admitted(request, response, handle, documents).catch((error: unknown) => {
      log.error({ path: safePath(request.url ?? ''), error: String(error) }, 'request failed');
      if (!response.headersSent) response.writeHead(500);
      response.end();
    });
  });
  // A file may take long on a slow line: whoever reads it sees to it that it comes (http.ts).
  server.requestTimeout = 0;
  server.headersTimeout = 15_000;
  // Longer than whoever asks keeps a connection: none is closed just as it is used again.
  server.keepAliveTimeout = 75_000;
  if (dev) server.on('upgrade', app.getUpgradeHandler());
  const documents = dev ? null : await warm(handle);
  server.listen(port, host);
  warmBackground();
  const stop = () => {
    server.close(() => void Promise.all([closePool(), closeBackground()]).finally(() => process.exit(0)));
    server.closeIdleConnections();
    // What is still being answered gets this long.
    setTimeout(() => process.exit(0), 4000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

type Handle = (request: IncomingMessage, response: ServerResponse) => Promise<void>;

/** What people wait for first. */
const FIRST = [
  ['GET', '/api/ready'],
  ['POST', '/api/jobs/0/entries'],
  ['GET', '/api/jobs/0/entries'],
  ['GET', '/signin'],
  ['POST', '/api/jobs/0/quotes'],
  ['GET', '/api/jobs/0/quotes/1/pdf'],
] as const;

/** Has the first requests answered before anybody is let in: they load what all later ones use. */
async function warm(handle: Handle): Promise<JobDocuments> {
  const inside = createServer((request, response) => void handle(request, response));
  await new Promise<void>((resolve) => inside.listen(0, '127.0.0.1', resolve));
  const { port: own } = inside.address() as AddressInfo;
  const ask = (url: string, init: RequestInit) => fetch(`http://127.0.0.1:${own}${url}`, init);
  for (const [method, url] of FIRST)
    await ask(url, { method, headers: { 'x-pelvik': '1' } })
      .then((answer) => answer.arrayBuffer())
      .catch(() => undefined);
  const documents = await jobDocuments((url, headers) => ask(url, { headers }));
  inside.closeAllConnections();
  inside.close();
  return documents;
}

const rates = linkRates();

async function admitted(
  request: IncomingMessage,
  response: ServerResponse,
  handle: Handle,
  documents: JobDocuments | null,
): Promise<void> {
  if (await rates.admit(request, response)) await answer(request, response, handle, documents);
}

async function answer(
  request: IncomingMessage,
  response: ServerResponse,
  handle: Handle,
  documents: JobDocuments | null,
): Promise<void> {
  if (isPage(request) && !(await databaseThere())) {
    response.writeHead(503, { 'content-type': 'text/html; charset=utf-8', 'retry-after': '3' });
    const words = 'What you typed is kept on this device. This page tries again by itself.';
    response.end(plainPage('The shop’s database does not answer just now', words, 3));
    return;
  }
  if (!(await documents?.answer(request, response))) await handle(request, response);
}

/** Pages are drawn from the database; the API answers for itself, files need none. */
function isPage({ url = '/', method }: IncomingMessage): boolean {
  return method === 'GET' && !/^\/(api|_next)\//.test(url) && !/\.\w{2,5}(\?|$)/.test(url);
}

let asked = 0;
let there: Promise<boolean> = Promise.resolve(true);
/** Asked once for all who come meanwhile: many at a time must not take one another's time for the database's. */
async function databaseThere(): Promise<boolean> {
  if (Date.now() - asked > FRESH) {
    asked = Date.now();
    there = databaseAnswers();
    // What did not answer is asked again by the next who comes.
    void there.then((good) => good || (asked = 0));
  }
  return there;
}

process.on('uncaughtException', (error) => {
  log.fatal({ error: error.stack }, 'uncaught');
  process.exit(1);
});
process.on('unhandledRejection', (error) => log.error({ error: String(error) }, 'unhandled'));

void inProcesses(Number(process.env.PELVIK_PROCESSES ?? 1), main).catch((error: unknown) => {
  process.stderr.write(`${String(error)}\n`);
  process.exit(1);
});
