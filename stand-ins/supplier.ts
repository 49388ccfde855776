import { createHash } from 'node:crypto';
import { createServer } from 'node:http';
import type { Server } from 'node:http';
import { shippedUnits } from '@/data/shipped';
import type { Part } from '@/core/unit';

/** How a supplier behaves: what a shop meets in a year, one at a time. */
export const FAILURE_MODES = ['none', 'slow', 'failing', 'lying', 'garbled', 'sold-out'] as const;
export type FailureMode = (typeof FAILURE_MODES)[number];

/** What somebody rebuilds, and what a breaker takes out and sells, by kind of part. */
const REBUILT = ['converter', 'valve-body', 'pump-cover', 'solenoid', 'drum', 'carrier', 'kit'];
const BROKEN_OUT = ['drum', 'carrier', 'shaft', 'hub', 'sun', 'ring-gear', 'shell', 'case', 'pump-cover'];

/** A number from 0 to 1 that a name always gives. */
const dice = (...names: string[]) =>
  createHash('sha256').update(names.join('\n')).digest().readUInt32BE(0) / 2 ** 32;

const dayAfter = (today: string, days: number) =>
  new Date(Date.parse(`${today}T00:00:00Z`) + days * 86_400_000).toISOString().slice(0, 10);

/** What a supplier that fails so answers; the same question has the same answer on the same day. */
export function answerOf(
  unitId: string,
  supplier: string,
  wanted: readonly string[],
  failure: FailureMode,
  today: string,
): unknown {
  const parts = shippedUnits.find((u) => u.id === unitId)?.parts ?? [];
  const sold = parts.filter((p) => wanted.includes(p.id) && p.soldAs === undefined && p.price !== undefined);
  const offers = sold.flatMap((part) => offersFor(part, supplier, failure === 'sold-out', today));
  return {
    format: 'pelvik-offers/1',
    currency: 'EUR',
    offers: failure === 'lying' ? offers.map((o, k) => ({ ...o, ...LIES[k % LIES.length] })) : offers,
  };
}

function offersFor(part: Part, supplier: string, soldOut: boolean, today: string) {
  const roll = (what: string) => dice(part.id, supplier, what);
  const cost = Math.round((part.price! / 1.4) * (0.92 + 0.16 * roll('price')));
  const made = (grade: string, share: number, deposit: number) => {
    const stock = soldOut || roll(`${grade} stock`) < 0.12 ? 0 : 1 + Math.floor(roll(`${grade} many`) * 8);
    const known = stock > 0 || roll(`${grade} known`) < 0.5;
    const days = (part.leadDays ?? 2) + (stock > 0 ? 0 : 9 + Math.floor(roll('late') * 12));
    return {
      part: part.id,
      grade,
      price: Math.max(1, Math.round(cost * share)),
      stock,
      arrivesOn: known ? dayAfter(today, days) : null,
      deposit,
      returnDays: deposit > 0 ? (part.returnDays ?? 30) : null,
      packaging: deposit > 0 ? packagingOf(part) : null,
    };
  };
  const deposit = part.coreDeposit ?? 0;
  const kind = part.kind ?? '';
  const rebuilt = REBUILT.includes(kind) && (kind !== 'kit' || part.role === 'exchange-unit');
  return [
    ...(part.role === 'exchange-unit' ? [] : [made('new', 1, deposit)]),
    ...(rebuilt ? [made('remanufactured', part.role === 'exchange-unit' ? 1 : 0.62, deposit || 4000)] : []),
    ...(BROKEN_OUT.includes(kind) ? [made('donor', 0.38, 0)] : []),
  ];
}

const packagingOf = (part: Part) =>
  part.kind === 'converter' || part.role === 'exchange-unit'
    ? 'its crate, drained and every port plugged'
    : 'the box its successor came in, clean and dry';

/** What nobody can mean. */
const LIES: readonly object[] = [
  { price: -1200 },
  { arrivesOn: '9999-12-31' },
  { arrivesOn: '2019-03-01' },
  { stock: -4 },
  { price: 0 },
  { grade: 'as good as new' },
  { part: 'something-else' },
  { price: 9.99 },
];

const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** Of so many questions an ordinary supplier fails to answer one. */
const FAILS_EVERY = 9;

/**
 * Stands in for the parts suppliers: `GET /offers?unit=…&supplier=…&part=…&part=…` answers `pelvik-offers/1`. Listens on
 * loopback; `delay` is what an ordinary answer takes at most, ms.
 */
export function startSupplier(port: number, failure: FailureMode, delay = 700): Promise<Server> {
  let asked = 0;
  const server = createServer((request, response) => {
    void (async () => {
      const url = new URL(request.url ?? '/', 'http://supplier');
      const supplier = url.searchParams.get('supplier') ?? '';
      const say = (status: number, text: string) => {
        response.writeHead(status, { 'content-type': 'application/json' });
        response.end(text);
      };
      if (url.pathname !== '/offers') return say(404, '{}');
      asked += 1;
      await wait(failure === 'slow' ? 30_000 : delay * (0.2 + 0.8 * dice(supplier, 'delay')));
      if (failure === 'failing' || (failure === 'none' && asked % FAILS_EVERY === 0)) return say(503, '{}');
      if (failure === 'garbled') return say(200, '<html>Please sign in</html>');
      const parts = url.searchParams.getAll('part');
      const today = new Date().toISOString().slice(0, 10);
      say(200, JSON.stringify(answerOf(url.searchParams.get('unit') ?? '', supplier, parts, failure, today)));
    })().catch(() => response.destroy());
  });
  return new Promise((resolve, reject) => {
    server.once('error', reject);
    server.listen(port, '127.0.0.1', () => resolve(server));
  });
}
