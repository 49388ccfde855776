import { randomBytes } from 'node:crypto';
import type { IncomingMessage, OutgoingHttpHeaders, ServerResponse } from 'node:http';
import { promisify } from 'node:util';
import { gzip } from 'node:zlib';
import { parseCookie } from 'cookie';
import { PAGES } from '@/core/stage';
import { withClient } from './db';
import { jobStartOf } from './job-start';
import { log } from './log';
import { cookieName, sessionUser } from './sessions';
import { JOB_ELEMENT, SHELL_HEADER, SHELL_NUMBER } from './shell';

/** A page of a job as Next draws it once, before there is a job in it. */
interface Shell {
  html: string;
  nonce: string;
  headers: OutgoingHttpHeaders;
}

export interface JobDocuments {
  /** Answers with a job's page; false when this is none, or is for Next to answer: nobody signed in, no such job. */
  answer(request: IncomingMessage, response: ServerResponse): Promise<boolean>;
}

const JOB_PAGE = /^\/jobs\/(\d{1,9})\/(\w+)$/;
const NONCE = /'nonce-([^']+)'/;
/** Rows of a page's data that state their own length: what stands in one cannot be replaced. */
const MEASURED_ROW = /[0-9a-f]+:T[0-9a-f]+,/;
/** Said anew for every answer, or not true of it. */
const OWN = new Set([
  'connection',
  'content-encoding',
  'content-length',
  'date',
  'keep-alive',
  'transfer-encoding',
]);

const packed = promisify(gzip);
/** Compressed for a line of the shop, not for an archive. */
const LEVEL = 4;

/**
 * The documents of the job pages. Drawing one anew costs the server's thread three times what it costs to put a job into
 * one that is drawn: nothing of it differs from job to job but the number and the data, which the browser draws from.
 * `ask` has Next draw a page.
 */
export async function jobDocuments(
  ask: (url: string, headers: Record<string, string>) => Promise<Response>,
): Promise<JobDocuments> {
  const shells = new Map<string, Shell>();
  for (const page of [...PAGES, 'sheet']) {
    const shell = await ask(`/jobs/${SHELL_NUMBER}/${page}`, { [SHELL_HEADER]: '1' }).then(
      shellOf,
      () => null,
    );
    if (shell) shells.set(page, shell);
    else log.warn({ page }, 'this page is drawn anew for every job');
  }
  return {
    async answer(request, response) {
      const [, number, page] = JOB_PAGE.exec(request.url ?? '') ?? [];
      const shell = page && shells.get(page);
      // What asks for a page's data alone, going from page to page, is Next's to answer.
      if (!shell || !number || request.method !== 'GET' || request.headers.rsc !== undefined) return false;
      const start = await startOf(request, number);
      if (!start) return false;
      const nonce = randomBytes(18).toString('base64');
      const html = filled(shell, { nonce, number, head: headOf(start) });
      await send(request, response, renewed(shell, nonce), html);
      return true;
    },
  };
}

async function shellOf(answer: Response): Promise<Shell | null> {
  const html = await answer.text();
  const nonce = NONCE.exec(answer.headers.get('content-security-policy') ?? '')?.[1];
  if (answer.status !== 200 || !nonce || !html.includes('</head>') || MEASURED_ROW.test(html)) return null;
  const headers = Object.fromEntries([...answer.headers].filter(([name]) => !OWN.has(name)));
  return { html, nonce, headers };
}

/** Who asks, and the job, at one visit to the database. */
function startOf(request: IncomingMessage, number: string) {
  const jar = parseCookie(request.headers.cookie ?? '');
  const token = jar[cookieName(true)] ?? jar[cookieName(false)];
  if (!token) return null;
  return withClient(async (client) => {
    const user = await sessionUser(client, token);
    return user && jobStartOf(client, user, number);
  });
}

type Start = NonNullable<Awaited<ReturnType<typeof jobStartOf>>>;

/** Whose page it is, the job, and what it reasons with, which can be fetched before any script runs. */
function headOf(start: Start): string {
  const job = JSON.stringify(start).replaceAll('<', '\\u003c');
  return (
    `<link rel="preload" href="${attribute(start.library)}" as="fetch" crossorigin="anonymous"/>` +
    `<script type="application/json" id="${JOB_ELEMENT}" data-pelvik-person="${attribute(start.user.id)}">${job}</script>`
  );
}

const attribute = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('"', '&quot;').replaceAll('<', '&lt;');

interface Filling {
  nonce: string;
  number: string;
  head: string;
}

/** What is put in comes last: nothing of it is taken for a place to fill. */
function filled({ html, nonce: drawn }: Shell, { nonce, number, head }: Filling): string {
  const page = html.replaceAll(drawn, nonce).replaceAll(SHELL_NUMBER, String(Number(number)));
  const at = page.indexOf('</head>');
  return page.slice(0, at) + head + page.slice(at);
}

const renewed = ({ headers, nonce: drawn }: Shell, nonce: string): OutgoingHttpHeaders =>
  Object.fromEntries(
    Object.entries(headers).map(([name, value]) => [name, String(value).replaceAll(drawn, nonce)]),
  );

async function send(
  { headers: asked }: IncomingMessage,
  response: ServerResponse,
  headers: OutgoingHttpHeaders,
  html: string,
): Promise<void> {
  const small = /\bgzip\b/.test(String(asked['accept-encoding'] ?? ''));
  const body = small ? await packed(html, { level: LEVEL }) : Buffer.from(html);
  response.writeHead(200, {
    ...headers,
    ...(small ? { 'content-encoding': 'gzip' } : {}),
    'content-length': body.length,
  });
  response.end(body);
}
