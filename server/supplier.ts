import { daysUntil, doubtOf, hear, soldFor, sourceOf } from '@/core/supply';
import type { Question, ShownOffer, SupplierAnswer } from '@/core/supply';
import { asPriced } from '@/core/shop';
import type { ShopTerms } from '@/core/shop';
import type { UnitDefinition } from '@/core/unit';
import { validator, problemsOf } from '@/core/validation';
import { UserError } from './problem';
import { shopNow } from './shop';

/** Somebody who sells parts, reached over a network. Throws an Error where no answer comes. */
export interface PartsSupplier {
  ask: (question: Question, signal: AbortSignal) => Promise<unknown>;
}

const asked = validator({
  type: 'object',
  additionalProperties: false,
  required: ['supplier', 'parts'],
  properties: {
    supplier: { type: 'string', maxLength: 80 },
    parts: {
      type: 'array',
      minItems: 1,
      maxItems: 200,
      uniqueItems: true,
      items: { type: 'string', maxLength: 80 },
    },
  },
});

/** The question a page puts. Throws a UserError 400 for parts the unit does not have. */
export function askedOf(unit: UnitDefinition, body: unknown): Question {
  const problems = problemsOf(asked, body);
  if (problems.length)
    throw new UserError(400, 'That is no question to a supplier.', 'Reload the page.', problems);
  const { supplier, parts } = body as Omit<Question, 'unit'>;
  const foreign = parts.find((id) => !unit.parts.some((p) => p.id === id));
  if (foreign) throw new UserError(400, `${unit.name} has no part "${foreign}".`, 'Reload the page.');
  return { unit: unit.id, supplier, parts };
}

/** A person waits for it. */
const PATIENCE = 5000;
const AGAIN_AFTER = 250;
const LARGEST = 512 * 1024;

/** The supplier at the address `PELVIK_SUPPLIER` names; null where none is connected. */
export function connectedSupplier(): PartsSupplier | null {
  const address = process.env.PELVIK_SUPPLIER;
  return address ? httpSupplier(address) : null;
}

/** A supplier that answers `GET /offers?unit=…&supplier=…&part=…` with `pelvik-offers/1`. */
export function httpSupplier(address: string): PartsSupplier {
  return {
    async ask({ unit, supplier, parts }, signal) {
      const url = new URL('/offers', address);
      url.search = new URLSearchParams([
        ['unit', unit],
        ['supplier', supplier],
        ...parts.map((part): [string, string] => ['part', part]),
      ]).toString();
      const answer = await fetch(url, { signal, redirect: 'error', headers: { accept: 'application/json' } });
      if (!answer.ok) {
        await answer.body?.cancel();
        throw new Error(`It answered ${answer.status}`);
      }
      return JSON.parse(await textOf(answer));
    },
  };
}

/** The text of an answer, up to a limit whatever its length claims. */
async function textOf(answer: Response): Promise<string> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of answer.body ?? []) {
    size += chunk.byteLength;
    if (size > LARGEST) throw new Error('Its answer has no end');
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString('utf8');
}

/**
 * Asks a supplier, once more where it failed at once, and reads the answer as a stranger's. Never throws: what went wrong
 * is part of what is shown.
 */
export async function offersFrom(
  supplier: PartsSupplier | null,
  question: Question,
  { unit, terms, costs }: { unit: UnitDefinition; terms: ShopTerms; costs: boolean },
  patience = PATIENCE,
): Promise<SupplierAnswer> {
  const nothing = (trouble: string): SupplierAnswer => ({
    supplier: question.supplier,
    offers: [],
    refused: [],
    unanswered: question.parts,
    trouble,
  });
  if (!supplier) return nothing('No supplier is connected');
  const today = shopNow(terms).slice(0, 10);
  try {
    const answer = await askTwice(supplier, question, AbortSignal.timeout(patience));
    const heard = hear(answer, question, { currency: terms.currency, today });
    const book = new Map(asPriced(unit, terms).parts.map((p) => [p.id, p.price]));
    const offers = heard.offers.map((offer): ShownOffer => {
      const price = soldFor(offer, terms.partsMarkup);
      return {
        part: offer.part,
        grade: offer.grade,
        price,
        stock: offer.stock,
        days: offer.arrivesOn === null ? null : daysUntil(offer.arrivesOn, today),
        doubt: offer.grade === 'new' ? doubtOf(price, book.get(offer.part)) : null,
        source: sourceOf(offer, question.supplier, terms.partsMarkup, today),
        ...(costs ? { cost: offer.price } : {}),
      };
    });
    return { ...heard, supplier: question.supplier, offers, trouble: null };
  } catch (error) {
    return nothing(troubleOf(error));
  }
}

async function askTwice(supplier: PartsSupplier, question: Question, signal: AbortSignal): Promise<unknown> {
  try {
    return await supplier.ask(question, signal);
  } catch (error) {
    if (signal.aborted) throw error;
    await new Promise((resolve) => setTimeout(resolve, AGAIN_AFTER));
    return supplier.ask(question, signal);
  }
}

function troubleOf(error: unknown): string {
  const { name, message } = error as Partial<Error>;
  if (name === 'TimeoutError' || name === 'AbortError') return 'It does not answer in time';
  if (name === 'SyntaxError') return 'Its answer cannot be read';
  if (name === 'TypeError') return 'It cannot be reached';
  return message ?? 'It does not answer';
}
