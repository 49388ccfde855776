import type { UnitDefinition } from '@/core/unit';
import shipped from '@/data/units/ostrel-six.json';
import { OURS, signIn } from '../sign-in';
import { errorWords } from './error-words';
import { LIMIT_MS } from './stack';
import type { Stack } from './stack';

export interface LimitFigures {
  /** Units by their count of elements: taken, or the words they were refused with. */
  units: Record<string, string>;
  /** What the fullest job holds. */
  slots: number;
  entries: number;
  megabytes: number;
  requests: number;
  /** Slowest of each kind, ms. */
  slowestMs: Record<string, number>;
  /** Answers over two seconds. */
  tooSlow: string[];
  /** 5xx that do not say "busy". */
  serverErrors: string[];
  /** What was exported and could not come back. */
  notImported: string[];
}

const BATCH = 100;

/** Units and jobs as large as they are let in: nothing they are asked for takes long, or fails without words. */
export async function reachLimits(stack: Stack): Promise<LimitFigures> {
  const base = stack.bases[0];
  const cookie = await signIn(base, 'ivo');
  const figures: LimitFigures = {
    units: {},
    slots: 0,
    entries: 0,
    megabytes: 0,
    requests: 0,
    slowestMs: {},
    tooSlow: [],
    serverErrors: [],
    notImported: [],
  };
  const ask: Ask = async (what, method, path, body, upload = false) => {
    const started = performance.now();
    const answer = await fetch(base + path, {
      method,
      headers: { ...OURS, cookie },
      ...(body === undefined ? {} : { body: typeof body === 'string' ? body : JSON.stringify(body) }),
    });
    // A file is answered with its first byte; how long the whole takes is the line's.
    const headers = performance.now() - started;
    const text = await answer.text();
    const ms = Math.round(upload ? headers : performance.now() - started);
    figures.requests++;
    figures.slowestMs[what] = Math.max(figures.slowestMs[what] ?? 0, ms);
    if (ms > LIMIT_MS && !upload) figures.tooSlow.push(`${what}: ${ms} ms`);
    if (answer.status >= 500 && answer.status !== 503) figures.serverErrors.push(`${what}: ${answer.status}`);
    return { status: answer.status, text, ms };
  };
  // What checks units begins with the server: until it is there, everything shares the cores with it.
  await fetch(`${base}/api/units`, {
    method: 'POST',
    headers: { ...OURS, cookie },
    body: JSON.stringify(grown(1)),
  });
  for (const more of [0, 2, 4, 8, 12, 16, 24, 45]) await tryUnit(ask, figures, more);
  await fillJob(ask, figures);
  return figures;
}

interface Answer {
  status: number;
  text: string;
  ms: number;
}

type Ask = (what: string, method: string, path: string, body?: unknown, upload?: boolean) => Promise<Answer>;

/** A shipped unit with so many clutches more, each like one it has: larger for the model, sound in itself. */
function grown(more: number): UnitDefinition {
  const unit = structuredClone(shipped) as unknown as UnitDefinition;
  const like = unit.elements.find((e) => e.pack)!;
  const added = Array.from({ length: more }, (_, k) => ({
    ...structuredClone(like),
    id: `${like.id}-${k}`,
    name: `${like.name} ${k}`,
    short: `X${k}`,
  }));
  unit.elements.push(...added);
  for (const gear of unit.gears) if (gear.apply.includes(like.id)) gear.apply.push(...added.map((e) => e.id));
  return { ...unit, id: `grown-${more}`, name: `Grown by ${more}` };
}

/** A unit goes through the check, the library, a job, its page and a look at what failed. */
async function tryUnit(ask: Ask, figures: LimitFigures, more: number): Promise<void> {
  const unit = grown(more);
  const name = `${unit.elements.length} elements`;
  const taken = await again(() => ask('unit taken in', 'POST', '/api/units', unit));
  figures.units[name] = `${taken.status >= 400 ? errorWords(taken.text) : 'taken'} (${taken.ms} ms)`;
  if (taken.status >= 400) return;
  const made = await ask('job made', 'POST', '/api/jobs', { unit: unit.id });
  const { number } = JSON.parse(made.text) as { number: number };
  const gear = unit.gears.find((g) => g.gear === 3)!.key;
  const entries = [entry(`grid.${gear}.shop`, { any: { behaviours: ['slips'] } })];
  await ask('entries', 'POST', `/api/jobs/${number}/entries`, { entries });
  for (let k = 0; k < 3; k++) {
    await ask('job page', 'GET', `/jobs/${number}/suspects`);
    const quotes = await ask('quote as it would be made', 'GET', `/api/jobs/${number}/quotes`);
    if (quotes.status >= 400) figures.units[name] += `; ${errorWords(quotes.text)}`;
  }
}

/** A job is filled until it says that it is full, then asked for everything, and goes out and comes in whole. */
async function fillJob(ask: Ask, figures: LimitFigures): Promise<void> {
  const made = await ask('job made', 'POST', '/api/jobs', { unit: 'ostrel-four' });
  const { number } = JSON.parse(made.text) as { number: number };
  const at = `/api/jobs/${number}/entries`;
  const send = async (entries: Entry[]) => {
    const { status, text } = await again(() => ask('entries', 'POST', at, { entries }));
    return status === 200 ? (JSON.parse(text) as { refused: unknown[] }).refused.length : entries.length;
  };
  const lists = [
    'history.repair.',
    'history.opinion.',
    'roadtest.',
    'codes.list.',
    'order.',
    'scope.why.',
    'scope.waiver.',
  ];
  for (const list of lists) {
    for (let from = 0; from < 600; from += BATCH) {
      const entries = Array.from({ length: BATCH }, (_, k) => entry(`${list}n${from + k}`, VALUES[list]));
      if ((await send(entries)) === BATCH) break;
    }
  }
  // Long words, written anew until the record is full.
  for (let k = 0; ; k++) {
    const entries = Array.from({ length: BATCH }, (_, j) =>
      entry('complaint.words', `${k} ${j} ${'ж'.repeat(1900)}`),
    );
    if ((await send(entries)) > 0) break;
    figures.entries += BATCH;
  }
  for (const page of ['intake', 'teardown', 'scope', 'quote'])
    await ask('job page', 'GET', `/jobs/${number}/${page}`);
  await ask('board', 'GET', '/api/jobs');
  const slots = new Set<string>();
  for (let after = 0, more = true; more; ) {
    const stretch = await ask('a stretch of the record', 'GET', `${at}?after=${after}`);
    const { entries } = JSON.parse(stretch.text) as { entries: { seq: number; slot: string }[] };
    for (const { slot } of entries) slots.add(slot);
    more = entries.length > 0;
    after = entries.at(-1)?.seq ?? 0;
  }
  figures.slots = slots.size;
  await ask('quote as it would be made', 'GET', `/api/jobs/${number}/quotes`);
  const file = await ask('case file, first byte', 'GET', `/api/jobs/${number}/case`, undefined, true);
  figures.megabytes = Math.round(file.text.length / 1e5) / 10;
  // Long for whoever brings it, which they know; not for the others.
  let coming = true;
  const others = (async () => {
    for (; coming; await new Promise((resolve) => setTimeout(resolve, 50)))
      await ask('board, while a case file is taken in', 'GET', '/api/jobs');
  })();
  const back = await ask('case file taken in', 'POST', '/api/cases', file.text, true);
  coming = false;
  await others;
  if (back.status >= 400) figures.notImported.push(errorWords(back.text));
}

interface Entry {
  id: string;
  slot: string;
  value: unknown;
}
const entry = (slot: string, value: unknown): Entry => ({ id: crypto.randomUUID(), slot, value });

/** The longest of each list. */
const VALUES: Record<string, unknown> = {
  'history.repair.': { done: 'x'.repeat(300), changed: 'x'.repeat(300) },
  'history.opinion.': { by: 'x'.repeat(120), said: 'x'.repeat(600) },
  'roadtest.': { temperature: 'hot', result: 'partly', pattern: 'x'.repeat(300), driver: 'x'.repeat(80) },
  'codes.list.': { kind: 'electrical', freeze: 'x'.repeat(300), note: 'x'.repeat(300) },
  'order.': { state: 'ordered', on: '2026-11-02', due: '2026-11-05' },
  'scope.why.': 'x'.repeat(300),
  'scope.waiver.': { words: 'x'.repeat(500) },
};

/** "Busy, try again" is an answer; who asks waits a moment and does so. */
async function again(ask: () => Promise<Answer>): Promise<Answer> {
  for (let k = 0; ; k++) {
    const answer = await ask();
    if (![429, 503].includes(answer.status) || k === 20) return answer;
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
}
