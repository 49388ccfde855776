import { CacheFirst, NetworkFirst, Serwist } from 'serwist';
import type { PrecacheEntry, SerwistPlugin } from 'serwist';
import { currentPerson, setCurrentPerson } from './device';

declare const self: ServiceWorkerGlobalScope & { __PRECACHE: PrecacheEntry[]; __BUILD: string };

/**
 * Opens the board, the library and every job opened before without the network. Pages are asked of the server first and
 * kept for the person they were drawn for; nobody else is shown them. The program's own files come from the device.
 * Nothing is ever written through here: writes wait in the outbox.
 */
// Pages name the program's files: those kept by another build are fetched anew when this one takes over.
const PAGES = `pelvik-pages-${self.__BUILD}`;
const pagesOf = (person: string) => `${PAGES}-for-${person}`;
const photosOf = (person: string) => `pelvik-photos-for-${person}`;

/** How long a page is waited for before the kept one is shown, seconds. */
const PATIENCE = 5;

/** What pages reason with, each under an address of its content. */
const LIBRARY = `pelvik-library-${self.__BUILD}`;
const IN_LIBRARY = /\/api\/library\/[\w-]+\/\d+\/[0-9a-f]+/;

/** Pages that are kept: the board, what Pelvik knows, jobs, units. Never the sign-in, never a customer's page. */
const KEPT = /^\/(|knowledge|jobs\/\d+(\/\w+)?|units(\/[\w-]+)?)$/;

/** Whose page a document says it is: in its head, or with the job put into it. */
const WHOSE = /<(?:meta name="pelvik-person" content|script [^>]*data-pelvik-person)="([^"]+)"/;
const personOf = async (response: Response) => WHOSE.exec(await response.clone().text())?.[1] ?? null;

const isPage = (response: Response) =>
  response.ok && !response.redirected && !!response.headers.get('content-type')?.startsWith('text/html');

/** A page is kept only when it is one: whole, this person's, and not a way to somewhere else. */
const onlyOwn = (person: string): SerwistPlugin => ({
  cacheWillUpdate: async ({ response }) =>
    isPage(response) && (await personOf(response)) === person ? response : null,
  // A server without its database is no better than no server.
  fetchDidSucceed: async ({ response }) => {
    if (response.status >= 500) throw new TypeError(`The server answered ${response.status}.`);
    return response;
  },
  // By its address alone: a page differs by nothing else.
  cacheKeyWillBeUsed: async ({ request }) => new URL(request.url).origin + new URL(request.url).pathname,
});

const pages = (person: string) =>
  new NetworkFirst({
    cacheName: pagesOf(person),
    networkTimeoutSeconds: PATIENCE,
    matchOptions: { ignoreVary: true },
    plugins: [onlyOwn(person)],
  });

/**
 * A response made here has no address of its own, so a worker started from it keeps the one it was asked for, with the
 * parameters it reads from there.
 */
const unaddressed: SerwistPlugin = {
  handlerWillRespond: async ({ response }) =>
    new Response(response.body, { status: response.status, headers: response.headers }),
};

const serwist = new Serwist({
  precacheEntries: self.__PRECACHE,
  precacheOptions: {
    cleanupOutdatedCaches: true,
    ignoreURLParametersMatching: [/.*/],
    plugins: [unaddressed],
  },
  skipWaiting: false,
  clientsClaim: true,
  navigationPreload: false,
  runtimeCaching: [
    {
      // Whoever comes here is signed out, or about to be somebody else: until then what is kept opens for nobody.
      matcher: ({ request, sameOrigin, url }) =>
        sameOrigin && request.mode === 'navigate' && url.pathname === '/signin',
      handler: async ({ request }) => {
        await setCurrentPerson(null).catch(() => undefined);
        return fetch(request).catch(() => message(NOBODY));
      },
    },
    {
      matcher: ({ request, sameOrigin, url }) =>
        sameOrigin && request.mode === 'navigate' && KEPT.test(url.pathname),
      handler: async ({ request, event }) => {
        const person = await currentPerson();
        try {
          return person === null ? await fetch(request) : await pages(person).handle({ request, event });
        } catch {
          return person === null ? message(NOBODY) : otherPage(new URL(request.url), person);
        }
      },
    },
    {
      matcher: ({ sameOrigin, url }) => sameOrigin && IN_LIBRARY.test(url.pathname),
      handler: new CacheFirst({ cacheName: LIBRARY, matchOptions: { ignoreVary: true } }),
    },
    {
      matcher: ({ sameOrigin, url, request }) =>
        sameOrigin && request.method === 'GET' && /^\/api\/jobs\/\d+\/photos\/[\w-]+$/.test(url.pathname),
      handler: async ({ request, event }) => {
        const person = await currentPerson();
        if (person === null) return fetch(request);
        const photos = new CacheFirst({ cacheName: photosOf(person), matchOptions: { ignoreVary: true } });
        return photos.handle({ request, event });
      },
    },
  ],
});

/** Without the network: another stage of the same job, else a page that says what can be done. */
async function otherPage(url: URL, person: string): Promise<Response> {
  const job = url.pathname.match(/^\/jobs\/\d+/)?.[0];
  const cache = await caches.open(pagesOf(person));
  const known = job
    ? (await cache.keys()).map((r) => new URL(r.url).pathname).filter((p) => p.startsWith(`${job}/`))
    : [];
  if (known.length && !known.includes(url.pathname)) return Response.redirect(known[0]!, 302);
  return message(NOT_KEPT);
}

const NOT_KEPT =
  'This page was not opened on this device before. Jobs that were can be opened from the board; what you enter there is kept and sent later.';
const NOBODY =
  'Nobody is signed in on this device, and signing in needs the shop’s server. What was entered here is kept, and sent when whoever wrote it signs in.';

function message(words: string): Response {
  const page = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width">
<title>No connection · Pelvik</title><style>body{margin:0;background:#12201e;color:#eef2e9;font:18px/1.5 system-ui,sans-serif;display:grid;place-content:center;min-height:100vh;padding:24px}h1{font-size:28px;margin:0 0 8px}p{max-width:46ch}a{color:#8fb0ff}</style>
<main><h1>No connection to the shop’s server</h1><p>${words}</p><p><a href="/">To the board</a></p></main></html>`;
  return new Response(page, { status: 503, headers: { 'content-type': 'text/html; charset=utf-8' } });
}

self.addEventListener('message', (event) => {
  const { kind, urls } = (event.data ?? {}) as { kind?: string; urls?: string[] };
  if (kind === 'take-over') void self.skipWaiting();
  if (kind === 'keep') event.waitUntil(keep(urls ?? []));
});

const MOST_RENEWED = 80;

/** Pages an earlier build kept, fetched as this build draws them; its own are dropped. */
async function renew(): Promise<void> {
  for (const name of await caches.keys()) {
    if (name.startsWith('pelvik-library-') && name !== LIBRARY) await caches.delete(name);
    if (!name.startsWith('pelvik-pages-') || name.startsWith(PAGES)) continue;
    const urls = (await (await caches.open(name)).keys()).map((r) => r.url);
    await caches.delete(name);
    await keep(urls.slice(-MOST_RENEWED));
  }
}
self.addEventListener('activate', (event) => event.waitUntil(renew()));

/** Fetches pages that are not kept yet, one after the other, and what they cannot be worked with without. */
async function keep(urls: string[]): Promise<void> {
  for (const url of urls) {
    const { pathname, origin } = new URL(url, self.location.origin);
    if (origin !== self.location.origin || !KEPT.test(pathname)) continue;
    const known = await currentPerson();
    const kept = known && (await caches.open(pagesOf(known)));
    if (kept && (await kept.match(pathname, { ignoreVary: true }))) continue;
    const answer = await fetch(pathname).catch(() => null);
    // The server says whose page it is; it is kept for that person alone.
    const person = answer && isPage(answer) ? await personOf(answer) : null;
    if (!answer || person === null) continue;
    const needed = IN_LIBRARY.exec(await answer.clone().text())?.[0];
    if (needed && !(await keepLibrary(origin + needed))) continue;
    await (await caches.open(pagesOf(person))).put(origin + pathname, answer);
  }
}

async function keepLibrary(address: string): Promise<boolean> {
  const cache = await caches.open(LIBRARY);
  if (await cache.match(address, { ignoreVary: true })) return true;
  const answer = await fetch(address).catch(() => null);
  if (!answer?.ok) return false;
  await cache.put(address, answer);
  return true;
}

serwist.addEventListeners();
