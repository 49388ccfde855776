import { cookies } from 'next/headers';
import { NextResponse } from 'next/server';
import type { NextRequest } from 'next/server';
import { withClient } from './db';
import { log } from './log';
import { UserError } from './problem';
import { SESSION_COOKIE, SESSION_HOURS, sessionUser } from './sessions';
import type { User } from './users';

/** Small bodies: entries, answers, sign-in. */
export const JSON_LIMIT = 512 * 1024;

type Handler<P> = (request: NextRequest, params: P, user: User) => Promise<Response>;
type OpenHandler<P> = (request: NextRequest, params: P) => Promise<Response>;
interface Context<P> {
  params: Promise<P>;
}

/** A route for people who are signed in. Writes must come from our own pages. */
export function route<P = object>(handler: Handler<P>) {
  return open<P>(async (request, params) => {
    const user = await currentUser();
    if (!user)
      throw new UserError(
        401,
        'You are not signed in, or the session has ended.',
        'Sign in again; what you typed is kept.',
      );
    return handler(request, params, user);
  });
}

/** A route anyone may call: sign-in and the customer's page. */
export function open<P = object>(handler: OpenHandler<P>) {
  return async (request: NextRequest, context: Context<P>): Promise<Response> => {
    try {
      if (request.method !== 'GET' && request.method !== 'HEAD') refuseForeign(request);
      return await handler(request, await context.params);
    } catch (error) {
      return failure(error, request);
    }
  };
}

/** Cross-site requests carry neither our header nor our origin. */
function refuseForeign(request: NextRequest): void {
  const origin = request.headers.get('origin');
  const host = request.headers.get('x-forwarded-host') ?? request.headers.get('host');
  const own = origin === null || new URL(origin).host === host;
  if (!own || request.headers.get('x-pelvik') !== '1') {
    throw new UserError(
      403,
      'This request did not come from a Pelvik page.',
      'Reload the page and try again.',
    );
  }
}

function failure(error: unknown, request: NextRequest): Response {
  if (error instanceof UserError) {
    const { status, message, remedy, problems } = error;
    return NextResponse.json({ error: { message, remedy, problems } }, { status });
  }
  log.error(
    { path: request.nextUrl.pathname, error: error instanceof Error ? error.stack : String(error) },
    'request failed',
  );
  const message = 'Something went wrong on the server.';
  return NextResponse.json(
    { error: { message, remedy: 'Nothing typed is lost: it is sent again by itself.', problems: [] } },
    { status: 500 },
  );
}

export async function currentUser(): Promise<User | null> {
  const token = (await cookies()).get(SESSION_COOKIE)?.value;
  return token ? withClient((client) => sessionUser(client, token)) : null;
}

export async function sessionToken(): Promise<string | undefined> {
  return (await cookies()).get(SESSION_COOKIE)?.value;
}

export async function setSessionCookie(token: string, secure: boolean): Promise<void> {
  (await cookies()).set(SESSION_COOKIE, token, {
    httpOnly: true,
    sameSite: 'strict',
    secure,
    path: '/',
    maxAge: SESSION_HOURS * 3600,
  });
}

export async function clearSessionCookie(): Promise<void> {
  (await cookies()).delete(SESSION_COOKIE);
}

/** Reads a body as it streams in and stops at the limit, whatever its headers claim. */
export async function readBytes(request: NextRequest, limit: number): Promise<Buffer> {
  const tooLarge = () =>
    new UserError(413, `This is larger than ${Math.round(limit / 1024)} kB.`, 'Send something smaller.');
  if (Number(request.headers.get('content-length') ?? 0) > limit) throw tooLarge();
  if (!request.body) return Buffer.alloc(0);
  const chunks: Uint8Array[] = [];
  let size = 0;
  const reader = request.body.getReader();
  for (;;) {
    const { done, value } = await reader.read();
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

export async function readJson(request: NextRequest, limit = JSON_LIMIT): Promise<unknown> {
  const text = (await readBytes(request, limit)).toString('utf8');
  // PostgreSQL keeps no NUL characters in text.
  if (text.includes('\\u0000') || text.includes('\0'))
    throw new UserError(400, 'The text holds a NUL character.', 'Remove it.');
  try {
    return JSON.parse(text);
  } catch {
    throw new UserError(
      400,
      'This is not valid JSON.',
      'Check that the whole file was sent and that nothing was cut off.',
    );
  }
}

export function jobNumber(params: { number: string }): number {
  return /^\d{1,9}$/.test(params.number) ? Number(params.number) : -1;
}
