import { createHash } from 'node:crypto';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { RateLimiterMemory } from 'rate-limiter-flexible';
import { plainPage } from './front-door';

/**
 * How often a customer's link may be opened: settled at the front door, where a refusal costs next to nothing. A page with
 * all its photos, clips and papers, several times over, is within it.
 */
const LIMITS = {
  /** Within a minute. */
  link: 300,
  address: 900,
  /** Not answered yet, on one link. */
  underway: 40,
};

export interface LinkRates {
  /** False when it was asked too often, and was answered here. */
  admit(request: IncomingMessage, response: ServerResponse): Promise<boolean>;
}

/** `/q/TOKEN…` is the page and its paper, `/api/q/TOKEN…` what belongs to it. */
const LINK = /^\/(?:api\/)?q\/([^/?]{1,100})/;

export function linkRates(limits = LIMITS): LinkRates {
  const link = new RateLimiterMemory({ points: limits.link, duration: 60 });
  const address = new RateLimiterMemory({ points: limits.address, duration: 60 });
  const underway = new Map<string, number>();
  return {
    async admit(request, response) {
      const token = LINK.exec(request.url ?? '')?.[1];
      if (token === undefined) return true;
      // The token itself is kept nowhere, not even here.
      const key = createHash('sha256').update(token).digest('base64');
      const from = String(request.headers['x-pelvik-address']);
      try {
        await address.consume(from);
        await link.consume(key);
      } catch {
        refuse(request, response, OFTEN);
        return false;
      }
      const now = underway.get(key) ?? 0;
      if (now >= limits.underway) {
        refuse(request, response, BUSY);
        return false;
      }
      underway.set(key, now + 1);
      response.once('close', () => {
        const left = underway.get(key)! - 1;
        if (left > 0) underway.set(key, left);
        else underway.delete(key);
      });
      return true;
    },
  };
}

interface Refusal {
  status: 429 | 503;
  again: number;
  message: string;
  remedy: string;
}
const OFTEN: Refusal = {
  status: 429,
  again: 30,
  message: 'This link was opened too often within a minute.',
  remedy: 'Wait a minute, then try again.',
};
const BUSY: Refusal = {
  status: 503,
  again: 3,
  message: 'The server is busy with this link just now.',
  remedy: 'Try again in a moment.',
};

function refuse(request: IncomingMessage, response: ServerResponse, refusal: Refusal): void {
  const { status, again, message, remedy } = refusal;
  const api = request.url?.startsWith('/api/');
  response.writeHead(status, {
    'content-type': api ? 'application/json' : 'text/html; charset=utf-8',
    'retry-after': String(again),
    'cache-control': 'no-store',
  });
  response.end(
    api ? JSON.stringify({ error: { message, remedy, problems: [] } }) : plainPage(message, remedy),
  );
}
