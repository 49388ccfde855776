import type { NextRequest } from 'next/server';
import { withClient } from './db';
import type { Client } from './db';
import { Pace } from './pace';
import { hashToken } from './sessions';
import { Turns } from './turns';

/**
 * What holders of customers' links may ask of the server, together and each: whatever they do, the shop goes on. How often
 * they may ask is counted before (link-rates.ts). Each process counts for itself.
 */

/** Of the ten connections a process holds. */
const customers = new Turns({ atOnce: 3, waiting: 60, seconds: 10 });
/** Answers of one link that are on their way at once; a browser opens six. */
const PER_LINK = { atOnce: 4, waiting: 40, seconds: 15 };
/** Bytes of clips a second: several times what one plays with. */
const CLIPS_PER_LINK = 4 * 2 ** 20;
const CLIPS_TOGETHER = 8 * 2 ** 20;

interface Link {
  turns: Turns;
  clips: Pace;
}
const links = new Map<string, Link>();
const together = new Pace(CLIPS_TOGETHER);

/** Runs `work` on one of the connections kept for customers, if need be in a transaction. Throws a UserError 503. */
export function asCustomer<T>(
  work: (client: Client) => Promise<T>,
  reach: typeof withClient = withClient,
): Promise<T> {
  return customers.run(() => reach(work));
}

/** One request on a customer's link, from its first byte to its last. */
export interface Visit {
  /** Waits until so many bytes of a clip may go. */
  pace(bytes: number): Promise<void>;
  /** The answer is on its way or given up; may be called more than once. */
  end(): void;
}

/** Lets a request on a link in. Throws a UserError 503 when too many are on their way. */
export async function visit(request: NextRequest, token: string): Promise<Visit> {
  // The token itself is kept nowhere, not even here.
  const key = hashToken(token.slice(0, 100)).toString('base64');
  const link = links.get(key) ?? { turns: new Turns(PER_LINK), clips: new Pace(CLIPS_PER_LINK) };
  links.set(key, link);
  const forget = () => {
    if (link.turns.idle) links.delete(key);
  };
  try {
    const end = await link.turns.take(request.signal);
    return {
      pace: (bytes) => pause(Math.max(link.clips.take(bytes), together.take(bytes))),
      end: () => {
        end();
        forget();
      },
    };
  } catch (error) {
    forget();
    throw error;
  }
}

/** The same for an answer that is whole at once. */
export async function duringVisit<T>(
  request: NextRequest,
  token: string,
  work: () => Promise<T>,
): Promise<T> {
  const { end } = await visit(request, token);
  try {
    return await work();
  } finally {
    end();
  }
}

const pause = (milliseconds: number) =>
  milliseconds > 0 ? new Promise<void>((resolve) => setTimeout(resolve, milliseconds)) : Promise.resolve();
