import { cookies } from 'next/headers';
import { NextResponse } from 'next/server';
import type { NextRequest } from 'next/server';
import { FORM_BOUNDS, outOfBounds } from '@/core/validation';
import type { Bounds } from '@/core/validation';
import { withClient } from './db';
import { demandDiskFor } from './disk';
import { log, safePath } from './log';
import { demandRight } from './permissions';
import type { Right } from './permissions';
import { UserError } from './problem';
import { cookieName, SESSION_HOURS, sessionUser } from './sessions';
import type { SignedIn } from './sessions';
import { Turns } from './turns';
import type { User } from './users';

/** Small bodies: entries, answers, sign-in. */
export const JSON_LIMIT = 512 * 1024;

type Handler<P> = (request: NextRequest, params: P, user: User) => Promise<Response>;
type OpenHandler<P> = (request: NextRequest, params: P) => Promise<Response>;
interface Context<P> {
  params: Promise<P>;
}

/** Whose page sent a request, and the generation its knowledge is of: both are refused where they are not the present ones. */
const PERSON = 'x-pelvik-person';
const GENERATION = 'x-pelvik-generation';

/**
 * A route for people who are signed in and have the `right` to it. Writes must come from our own pages, and from those of
 * the person signed in.
 */
export function route<P = object>(right: Right<P>, handler: Handler<P>) {
  return open<P>(async (request, params) => {
    // A page that only listens does not keep its session alive.
    const user = await currentUser(request.headers.get('x-pelvik-listening') !== '1');
    if (!user)
      throw new UserError(
        401,
        'You are not signed in, or the session has ended.',
        'Sign in again; what you typed is kept.',
      );
    const answer = await answered(request, async () => {
      refuseOtherPerson(request, user);
      refuseBefore(request, user);
      demandRight(user, right, params);
      return handler(request, params, user);
    });
    answer.headers.set(GENERATION, user.generation);
    return answer;
  });
}

/**
 * A browser may still show a page of who was signed in before. Only browsers send an origin: their writes must say whose
 * they are. Throws a UserError 409.
 */
function refuseOtherPerson(request: NextRequest, user: User): void {
  const writer = request.headers.get(PERSON);
  if (writer === user.id) return;
  if (writer !== null)
    throw new UserError(
      409,
      `${user.name} is signed in on this device.`,
      'This was not saved under that name. It is kept here until the person who wrote it signs in.',
      [],
      'other-person',
    );
  if (request.headers.has('origin') && isWrite(request))
    throw new UserError(409, 'This page does not say whose it is.', 'Reload it; what you typed is kept.');
}

/** A page from before a backup was brought back knows jobs that may be others now. Throws a UserError 409. */
function refuseBefore(request: NextRequest, user: SignedIn): void {
  const known = request.headers.get(GENERATION);
  if (known === null || known === user.generation || !isWrite(request)) return;
  throw new UserError(
    409,
    'A backup of the shop was restored since this page was opened.',
    'Reload the page; what you typed is kept.',
    [],
    'restored',
  );
}

const isWrite = ({ method }: NextRequest) => method !== 'GET' && method !== 'HEAD';

/** A route anyone may call: sign-in and the customer's page. */
export function open<P = object>(handler: OpenHandler<P>) {
  return async (request: NextRequest, context: Context<P>): Promise<Response> => {
    const answer = await answered(request, async () => {
      if (isWrite(request)) refuseForeign(request);
      return handler(request, await context.params);
    });
    // Nothing is kept on the way, unless a route says it never changes.
    if (!answer.headers.has('cache-control')) answer.headers.set('cache-control', 'no-store');
    return answer;
  };
}

/** What was asked for, or what went wrong, as an answer. */
async function answered(request: NextRequest, work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (error) {
    return failure(error, request);
  }
}

type Draw<P> = (params: P, nonce: string, request: NextRequest) => Promise<string>;
type DrawMessage = (title: string, words: string, nonce: string) => Promise<string>;

/** A page anyone may open, drawn as a whole document; what goes wrong is said on a page too. */
export function openPage<P = object>(draw: Draw<P>, message: DrawMessage) {
  return async (request: NextRequest, context: Context<P>): Promise<Response> => {
    const nonce = request.headers.get('x-nonce') ?? '';
    const [status, html] = await draw(await context.params, nonce, request).then(
      (page) => [200, page] as const,
      async (error: unknown) => {
        const { status, message: title, remedy } = told(error, request);
        return [status, await message(title, remedy, nonce)] as const;
      },
    );
    const headers = { 'content-type': 'text/html; charset=utf-8', 'cache-control': 'no-store' };
    return new Response(html, { status, headers });
  };
}

/** Cross-site requests carry neither our header nor our origin. */
function refuseForeign(request: NextRequest): void {
  const origin = request.headers.get('origin');
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host');
  const own = origin === null || (URL.canParse(origin) && new URL(origin).host === host);
  if (!own || request.headers.get('x-pelvik') !== '1') {
    throw new UserError(
      403,
      'This request did not come from a Pelvik page.',
      'Reload the page and try again.',
    );
  }
}

function failure(error: unknown, request: NextRequest): Response {
  const { status, message, remedy, problems, kind } = told(error, request);
  const headers = status === 503 ? { 'retry-after': '3' } : undefined;
  return NextResponse.json({ error: { message, remedy, problems, kind } }, { status, headers });
}

interface Told extends Pick<UserError, 'message' | 'remedy' | 'problems' | 'kind'> {
  status: number;
}

/** What went wrong, as the user is told it; what nobody foresaw is logged. */
function told(error: unknown, request: NextRequest): Told {
  if (error instanceof UserError) return error;
  log.error(
    {
      method: request.method,
      path: safePath(request.nextUrl.pathname),
      error: error instanceof Error ? error.stack : String(error),
    },
    'request failed',
  );
  return {
    status: 500,
    message: 'Something went wrong on the server.',
    remedy: 'Nothing typed is lost: it is kept on this device.',
    problems: [],
  };
}

/** Whether the request came over TLS, as the server's front door found it (`server/main.ts`). */
export function isSecure(headers: Headers): boolean {
  return headers.get('x-pelvik-secure') === '1';
}

/** The signed-in user; `active` marks the session as in use. */
export async function currentUser(active = true): Promise<SignedIn | null> {
  const token = await sessionToken();
  return token ? withClient((client) => sessionUser(client, token, active)) : null;
}

export async function sessionToken(): Promise<string | undefined> {
  const jar = await cookies();
  return jar.get(cookieName(true))?.value ?? jar.get(cookieName(false))?.value;
}

export async function setSessionCookie(token: string, secure: boolean): Promise<void> {
  (await cookies()).set(cookieName(secure), token, {
    httpOnly: true,
    sameSite: 'strict',
    secure,
    path: '/',
    maxAge: SESSION_HOURS * 3600,
  });
}

export async function clearSessionCookie(secure: boolean): Promise<void> {
  (await cookies()).set(cookieName(secure), '', {
    httpOnly: true,
    sameSite: 'strict',
    secure,
    path: '/',
    maxAge: 0,
  });
}

/** A small body that takes longer than this in all is held back on purpose, ms. */
const SMALL_TIME = 60_000;
/** A line that brings nothing for so long is dead; what trickles goes on, ms. */
const IDLE_TIME = 20_000;
/** Files that come in at once: each is held in memory until it is whole. */
const uploads = new Turns({ atOnce: 6, waiting: 30, seconds: 60 });

/** A file, however long it takes as long as it comes. Throws a UserError 408, 413 or 503. */
export async function readUpload(request: NextRequest, limit: number): Promise<Buffer> {
  await demandDiskFor(Number(request.headers.get('content-length') ?? 0));
  return uploads.run(() => readBytes(request, limit, Infinity), request.signal);
}

/** Reads a body as it streams in and stops at the limit, whatever its headers claim. Throws a UserError 408 or 413. */
async function readBytes(request: NextRequest, limit: number, time = SMALL_TIME): Promise<Buffer> {
  const tooLarge = () =>
    new UserError(413, `This is larger than ${Math.round(limit / 1024)} kB.`, 'Send something smaller.');
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw tooLarge();
  if (!request.body) return Buffer.alloc(0);
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body.getReader();
  const until = Date.now() + time;
  for (;;) {
    const { done, value } = await within(reader.read(), Math.min(IDLE_TIME, until - Date.now())).catch(
      (error: unknown) => {
        void reader.cancel().catch(() => undefined);
        throw error;
      },
    );
    if (done) break;
    size += value.byteLength;
    if (size > limit) {
      await reader.cancel();
      throw tooLarge();
    }
    chunks.push(value);
  }
  return Buffer.concat(chunks);
}

async function within<T>(work: Promise<T>, milliseconds: number): Promise<T> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const late = new Promise<never>((_, reject) => {
    timer = setTimeout(
      () =>
        reject(
          new UserError(408, 'This did not arrive in time.', 'Check the connection, then send it again.'),
        ),
      Math.max(0, milliseconds),
    );
  });
  try {
    return await Promise.race([work, late]);
  } finally {
    clearTimeout(timer);
  }
}

/**
 * A JSON body within a limit in bytes. `bounds` limits what is in it; null leaves that to whoever reads it value by
 * value. Throws a UserError 400 or 413.
 */
export async function readJson(
  request: NextRequest,
  limit = JSON_LIMIT,
  bounds: Bounds | null = FORM_BOUNDS,
): Promise<unknown> {
  const text = (await readBytes(request, limit)).toString('utf8');
  let value: unknown;
  try {
    value = JSON.parse(text);
  } catch {
    throw new UserError(
      400,
      'This is not valid JSON.',
      'Check that the whole file was sent and that nothing was cut off.',
    );
  }
  const problem = bounds && outOfBounds(value, bounds);
  if (problem) throw new UserError(400, `What was sent ${problem.message}.`, problem.remedy, [problem]);
  if (typeof value !== 'object' || value === null || Array.isArray(value))
    throw new UserError(400, 'This is not a JSON object.', 'Send {…}, as the page does.');
  return value;
}

/** A small text, such as a table. */
export async function readText(request: NextRequest, limit: number): Promise<string> {
  const text = (await readBytes(request, limit)).toString('utf8');
  if (text.includes('\0'))
    throw new UserError(
      400,
      'This holds a character that cannot be kept.',
      'Save the file as plain text, in UTF-8.',
    );
  return text;
}
