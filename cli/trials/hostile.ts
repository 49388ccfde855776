import unit from '@/data/units/ostrel-four.json';
import { OURS, signIn } from '../sign-in';
import { dice } from '../dice';
import type { Dice } from '../dice';
import { LIMIT_MS } from './stack';
import type { Stack } from './stack';

export interface HostileFigures {
  requests: number;
  byStatus: Record<string, number>;
  serverErrors: number;
  /** Over two seconds. */
  tooSlow: number;
  slowestMs: number;
  slowest: string;
  /** The first few requests that were answered with 5xx. */
  examples: string[];
}

const AT_ONCE = 4;
/** Where they come from: an address that signs in wrongly this often is shut out, and so would the people after it. */
const ADDRESS = '10.66.6.6';

/** Something sent where something else belongs. */
interface Shot {
  method: string;
  path: string;
  body?: string | Buffer;
  headers?: Record<string, string>;
}

/** Sends hostile bodies over every endpoint that writes, and odd addresses over those that read. */
export async function sendHostile(stack: Stack, count: number, seed: number): Promise<HostileFigures> {
  const cookie = await signIn(stack.bases[0], 'ivo');
  const targets = await targetsOf(stack.bases[0], cookie);
  const random = dice(seed);
  const figures: HostileFigures = {
    requests: 0,
    byStatus: {},
    serverErrors: 0,
    tooSlow: 0,
    slowestMs: 0,
    slowest: '',
    examples: [],
  };
  const shots = Array.from({ length: count }, () => shotAt(random.pick(targets), random));
  let next = 0;
  const work = async () => {
    while (next < shots.length) {
      const k = next++;
      await fire(stack.bases[k % 2]!, shots[k]!, cookie, figures);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, work));
  return { ...figures, slowestMs: Math.round(figures.slowestMs) };
}

async function fire(base: string, shot: Shot, cookie: string, figures: HostileFigures): Promise<void> {
  const started = performance.now();
  let status = 'none';
  try {
    const answer = await fetch(base + shot.path, {
      method: shot.method,
      headers: { ...OURS, cookie, 'x-forwarded-for': ADDRESS, ...shot.headers },
      body: shot.body as BodyInit,
      redirect: 'manual',
    });
    await answer.arrayBuffer();
    status = String(answer.status);
  } catch {
    // A header or an address that cannot even be sent.
    status = 'not sent';
  }
  const took = performance.now() - started;
  const named = `${shot.method} ${shot.path.slice(0, 120)} ${String(shot.body ?? '').slice(0, 160)}`;
  figures.requests++;
  figures.byStatus[status] = (figures.byStatus[status] ?? 0) + 1;
  if (/^5/.test(status)) {
    figures.serverErrors++;
    if (figures.examples.length < 8) figures.examples.push(`${status} ${named}`);
  }
  if (took > LIMIT_MS) figures.tooSlow++;
  if (took > figures.slowestMs) [figures.slowestMs, figures.slowest] = [took, named];
}

/** An endpoint with a body it would take. */
interface Target {
  method: string;
  path: string;
  body: unknown;
}

async function targetsOf(base: string, cookie: string): Promise<Target[]> {
  const headers = { ...OURS, cookie };
  const ask = async (path: string, method = 'GET', body?: unknown) =>
    (await fetch(base + path, { method, headers, body: body ? JSON.stringify(body) : undefined })).json();
  const kase = await ask('/api/jobs/1003/case');
  kase.photos = kase.photos.slice(0, 1);
  const { path } = await ask('/api/jobs/1003/quotes/1/link', 'POST');
  const entries = [
    { id: 'hostile-0001', slot: 'unit.fluid.level', value: { is: 'low' }, seen: 0 },
    { id: 'hostile-0002', slot: 'grid.D2.shop', value: { hot: { behaviours: ['slips'] } } },
    { id: 'hostile-0003', slot: 'complaint.words', value: 'words' },
    { id: 'hostile-0004', slot: 'face.high.1.a.heat', value: { is: 'bright' } },
    { id: 'hostile-0005', slot: 'scope.line.x', value: { change: 'add', name: 'n', reason: 'r' } },
  ];
  const write = (method: string, at: string, body: unknown = {}): Target => ({ method, path: at, body });
  return [
    ...new Array(4).fill(write('POST', '/api/jobs/1006/entries', { entries, after: 0 })),
    ...new Array(2).fill(write('POST', '/api/cases', kase)),
    ...new Array(2).fill(write('POST', '/api/units/check', unit)),
    write('POST', '/api/units', { ...unit, id: 'hostile' }),
    write('PUT', '/api/units/ostrel-four', { basedOn: 1, definition: unit }),
    write('DELETE', '/api/units/nothing'),
    write('POST', '/api/jobs', { unit: 'ostrel-four' }),
    write('PATCH', '/api/jobs/1005', { closed: true }),
    write('DELETE', '/api/jobs/1005/customer'),
    write('PUT', '/api/jobs/1006/photos/hostile-photo', 'x'),
    write('POST', '/api/jobs/1004/quotes'),
    write('POST', '/api/jobs/1004/quotes/1/link'),
    write('DELETE', '/api/jobs/1004/quotes/1/link'),
    write('POST', `/api${path}`, { kind: 'ask', name: 'Ada', message: 'When?', option: null }),
    write('POST', '/api/session', { id: 'nobody', password: 'wrong-wrong-wrong' }),
    write('PUT', '/api/account/password', { present: 'wrong', next: 'wrong' }),
    write('DELETE', '/api/account/sessions/00000000-0000-0000-0000-000000000000'),
    write('DELETE', '/api/people/nobody/sessions'),
    ...[
      '/api/jobs?q=a',
      '/api/jobs/1003/entries?after=0',
      '/api/units/ostrel-four?version=1',
      '/jobs/1003/intake',
      '/',
      '/q/x',
    ].map((at) => write('GET', at)),
  ];
}

const ODD: unknown[] = [
  null,
  true,
  -1,
  0,
  1.5,
  1e308,
  2147483648,
  -2147483649,
  9007199254740993,
  '',
  'ghost',
  'x'.repeat(5000),
  'я'.repeat(3000),
  '\0',
  '\ud800',
  String.raw`\u0000`,
  '🛠️ مريم',
  '9999-12-31',
  '0000-01-01T00:00:00Z',
  "'; DROP TABLE jobs; --",
  '<script>alert(1)</script>',
  '__proto__',
  '../../etc/passwd',
  [],
  {},
  [[]],
  { constructor: 1 },
];
const NAMES = [
  '1.5',
  '-1',
  '0',
  '%00',
  '%FF',
  '99999999999',
  '1e9',
  'ghost',
  '..%2f..',
  '%F0%9F%9B%A0',
  "'",
  'null',
];
const LARGE = 300_000;

function shotAt(target: Target, random: Dice): Shot {
  const shot: Shot = { method: target.method, path: target.path };
  if (random.chance(0.15)) shot.path = oddPath(target.path, random);
  if (random.chance(0.03)) shot.headers = { origin: random.pick(['null', 'http://elsewhere.example', '']) };
  if (random.chance(0.02)) shot.headers = { cookie: `pelvik_session=${'A'.repeat(random.below(3000))}` };
  if (target.method === 'GET') return shot;
  shot.body = random.chance(0.12) ? rawBody(random) : JSON.stringify(mutated(target.body, random));
  return shot;
}

function oddPath(path: string, random: Dice): string {
  const parts = path.split(/(?=[/?=])/);
  const k = 1 + random.below(Math.max(1, parts.length - 1));
  return parts.map((part, i) => (i === k ? part[0] + random.pick(NAMES) : part)).join('');
}

/** No JSON at all, cut off, enormous, or another kind of file. */
function rawBody(random: Dice): string | Buffer {
  const kinds: (() => string | Buffer)[] = [
    () => '',
    () => '{"entries":[',
    () => '\xff\xfe',
    () => `"${'y'.repeat(LARGE)}"`,
    () => `[${'0,'.repeat(LARGE / 4)}0]`,
    () => `${'['.repeat(30_000)}${']'.repeat(30_000)}`,
    () => `{"entries":[${'{},'.repeat(5000)}{}]}`,
    () => `{"a":${'{"a":'.repeat(3000)}1${'}'.repeat(3000)}}`,
    () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'),
    () => Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(random.below(60_000), 7)]),
    () => Buffer.from(Array.from({ length: random.below(3000) }, () => random.below(256))),
  ];
  return random.pick(kinds)();
}

/** The body with one to four of its places replaced, removed, repeated or added to. */
function mutated(body: unknown, random: Dice): unknown {
  const copy = structuredClone(body);
  for (let k = 1 + random.below(4); k > 0; k--) {
    const places = placesOf(copy);
    if (places.length === 0) return structuredClone(random.pick(ODD));
    if ((JSON.stringify(copy) ?? '').length > LARGE) return copy;
    const { holder, key } = random.pick(places);
    const change = random.below(5);
    if (change === 0) delete (holder as Record<string, unknown>)[key];
    else if (change === 1 && Array.isArray(holder)) holder.push(...again(holder[Number(key)], random));
    else if (change === 2 && !Array.isArray(holder))
      (holder as Record<string, unknown>)[JSON.stringify(random.pick(ODD)).slice(0, 40)] = 1;
    else (holder as Record<string, unknown>)[key] = structuredClone(random.pick(ODD));
  }
  return copy;
}

const SMALL = 400;

/** The same once more, or many times over where it is small. */
function again(item: unknown, random: Dice): unknown[] {
  const small = (JSON.stringify(item) ?? '').length < SMALL;
  return new Array(small ? 1 + random.below(30) : 1).fill(item);
}

const MOST_PLACES = 3000;

function placesOf(value: unknown): { holder: object; key: string }[] {
  const places: { holder: object; key: string }[] = [];
  const visit = (node: unknown): void => {
    if (typeof node !== 'object' || node === null || places.length > MOST_PLACES) return;
    for (const key of Object.keys(node)) {
      places.push({ holder: node, key });
      visit((node as Record<string, unknown>)[key]);
    }
  };
  visit(value);
  return places;
}
