import { Worker } from 'node:worker_threads';
import { OURS, signIn } from '../sign-in';
import type { Stack } from './stack';

export interface FloodFigures {
  /** Answers on the flooded link, by status; 0 stands for none. */
  flooded: Record<string, number>;
  /** What staff asked meanwhile. */
  staff: number;
  staffP50Ms: number;
  staffP95Ms: number;
  slowestMs: number;
  /** Staff requests that did not get what they asked for, with the status. */
  staffFailed: string[];
  /** Server errors on the link that do not say "busy". */
  serverErrors: number;
}

const CLIP = 25 * 1024 * 1024;
/** On one link at once: whole clips, photos, papers. */
const AT_ONCE = { clips: 30, photos: 20, papers: 42 };
const STAFF_EVERY = 100;

/** A customer's link is asked for everything it has, all at once, while somebody of the shop works. */
export async function floodLink(stack: Stack, seconds: number): Promise<FloodFigures> {
  const base = stack.bases[0];
  const cookie = await signIn(base, 'ivo');
  const ask = (method: string, path: string, body?: unknown) =>
    fetch(base + path, {
      method,
      headers: { ...OURS, cookie },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    });
  // The processes that write papers begin with the server: until they are there, everything shares the cores with them.
  for (const other of stack.bases)
    await fetch(`${other}/api/jobs/1001/quotes/1/pdf`, { headers: { cookie } });
  const kase = await (await ask('GET', '/api/jobs/1003/case')).json();
  const { number } = (await (await ask('POST', '/api/cases', kase)).json()) as { number: number };
  const clips: string[] = [];
  for (let k = 0; k < 3; k++) {
    const id = crypto.randomUUID();
    const sent = await fetch(`${base}/api/jobs/${number}/clips/${id}`, {
      method: 'PUT',
      headers: { ...OURS, cookie },
      body: clip(),
    });
    if (!sent.ok) throw new Error(`A clip was not taken: ${await sent.text()}`);
    clips.push(id);
  }
  const entries = clips.map((id) => ({
    id: crypto.randomUUID(),
    slot: `clip.${id}`,
    value: { caption: '' },
  }));
  await ask('POST', `/api/jobs/${number}/entries`, { entries });
  const { quote } = (await (await ask('POST', `/api/jobs/${number}/quotes`)).json()) as {
    quote: { version: number; content: { photos: { id: string }[] } };
  };
  const made = await ask('POST', `/api/jobs/${number}/quotes/${quote.version}/link`);
  const { path } = (await made.json()) as { path: string };
  const link = { page: base + path, api: `${base}/api${path}` };
  const flood = [
    ...Array.from({ length: AT_ONCE.clips }, (_, k) => `${link.api}/clips/${clips[k % 3]}`),
    ...Array.from({ length: AT_ONCE.photos }, () => `${link.api}/photos/${quote.content.photos[0]!.id}`),
    ...Array.from({ length: AT_ONCE.papers }, (_, k) => `${link.page}/pdf?paper=${k % 2 ? 'a4' : 'letter'}`),
  ];
  const flooding = inWorker(flood, seconds);
  const staff = await work(seconds, async (k) => {
    if (k % 2) return ask('GET', `/jobs/${number}/intake`);
    const value = `words ${k}`;
    return ask('POST', `/api/jobs/${number}/entries`, {
      entries: [{ id: crypto.randomUUID(), slot: 'complaint.words', value }],
    });
  });
  const flooded = await flooding;
  const times = staff.map((s) => s.ms).sort((a, b) => a - b);
  const at = (share: number) => Math.round(times[Math.floor((times.length - 1) * share)] ?? 0);
  return {
    flooded,
    staff: staff.length,
    staffP50Ms: at(0.5),
    staffP95Ms: at(0.95),
    slowestMs: at(1),
    staffFailed: staff.filter((s) => s.status !== 200).map((s) => `${s.status} after ${Math.round(s.ms)} ms`),
    serverErrors: Object.entries(flooded).reduce(
      (sum, [s, n]) => sum + (Number(s) >= 500 && s !== '503' ? n : 0),
      0,
    ),
  };
}

/** As large as one may be, and an MP4 by its first bytes. */
function clip(): Buffer<ArrayBuffer> {
  const bytes = Buffer.alloc(CLIP, 7);
  bytes.write('\0\0\0\x18ftypisom', 'latin1');
  return bytes;
}

async function work(
  seconds: number,
  ask: (k: number) => Promise<Response>,
): Promise<{ ms: number; status: number }[]> {
  const until = Date.now() + seconds * 1000;
  const done = [];
  for (let k = 0; Date.now() < until; k++) {
    const started = performance.now();
    const answer = await ask(k);
    await answer.arrayBuffer();
    done.push({ ms: performance.now() - started, status: answer.status });
    await new Promise((resolve) => setTimeout(resolve, STAFF_EVERY));
  }
  return done;
}

/** Asks for every address again and again, from a thread of its own, so that it does not slow down who measures. */
function inWorker(addresses: string[], seconds: number): Promise<Record<string, number>> {
  const program = `
    const { parentPort, workerData: { addresses, seconds } } = require('node:worker_threads');
    const until = Date.now() + seconds * 1000;
    const counts = {};
    const again = async (address) => {
      while (Date.now() < until) {
        const status = await fetch(address, { signal: AbortSignal.timeout(until - Date.now() + 100) }).then(async (answer) => {
          const reader = answer.body.getReader();
          while (!(await reader.read()).done);
          return answer.status;
        }).catch(() => 0);
        counts[status] = (counts[status] ?? 0) + 1;
        if (status === 429 || status === 503) await new Promise((resolve) => setTimeout(resolve, 50));
      }
    };
    Promise.all(addresses.map(again)).then(() => parentPort.postMessage(counts));`;
  return new Promise((resolve, reject) => {
    const worker = new Worker(program, { eval: true, workerData: { addresses, seconds } });
    worker.once('message', resolve);
    worker.once('error', reject);
  });
}
