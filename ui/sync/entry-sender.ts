import type { Connection } from './engine';
import { endingOf, NOWHERE, OTHER_JOB } from './outcome';
import { BATCH_ENTRIES } from './queue';
import type { Queue } from './queue';
import type { WaitingEntry } from './store';
import type { Appended, Outcome, Transport } from './transport';

/** What sending writes needs of the engine. */
export interface EntrySending {
  transport: Transport;
  queue: Queue;
  stopped(): boolean;
  begins(): void;
  /** Waits before something that failed is tried again. */
  pause(): Promise<void>;
  now(): string;
  /** How far some page here knows a job. */
  knownOf(job: number): number | undefined;
  /** The server has taken writes, or refused some of them by themselves. */
  took(job: number, ids: string[], answer: Appended): Promise<void>;
  /** What waits or is set aside of a job has changed. */
  changed(job: number): Promise<void>;
}

/** The server may fail this often on one write before it is set aside. */
const FAILURES = 3;

/** Sends the writes of every job; null when there were none. */
export async function sendEntries(sending: EntrySending): Promise<Connection | null> {
  let ending: Connection | null = null;
  for (const [job] of await sending.queue.counts()) {
    ending = await sendJob(sending, job);
    if (ending !== 'online') break;
  }
  return ending;
}

/** Sends a job's writes. A batch that is refused whole is halved until the one that cannot stand is alone. */
async function sendJob(sending: EntrySending, job: number): Promise<Connection> {
  const { queue, transport } = sending;
  let most = BATCH_ENTRIES;
  let failures = 0;
  for (;;) {
    const batch = sending.stopped() ? [] : await queue.take(job, most);
    if (batch.length === 0) return 'online';
    sending.begins();
    const answer = await transport.entries(
      job,
      batch.map((i) => i.entry),
      { after: sending.knownOf(job), generation: batch[0]!.of?.generation },
    );
    if (answer.kind === 'taken') {
      await took(sending, job, batch, answer.value);
      [most, failures] = [BATCH_ENTRIES, 0];
      continue;
    }
    if (answer.kind === 'restored') {
      const left = await meet(sending, job);
      if (left) return left;
      continue;
    }
    if (answer.kind === 'failed') {
      if (++failures < FAILURES) {
        await sending.pause();
        continue;
      }
      // A server that fails on everything is away; one that answers otherwise stumbles over these writes alone.
      const { kind } = await transport.news(job, NOWHERE);
      if (kind !== 'taken') return 'offline';
    } else {
      const ending = endingOf(answer);
      if (ending) return ending;
    }
    if (batch.length > 1) most = Math.ceil(batch.length / 2);
    else {
      await setAside(sending, job, batch, messageOf(answer));
      [most, failures] = [BATCH_ENTRIES, 0];
    }
  }
}

const messageOf = (answer: Outcome<unknown>) => ('message' in answer && answer.message) || '';

async function took(
  sending: EntrySending,
  job: number,
  batch: WaitingEntry[],
  answer: Appended,
): Promise<void> {
  const { queue } = sending;
  const refused = new Map(answer.refused.map((r) => [r.id, r.message]));
  const aside = batch.flatMap((item) => {
    const message = refused.get(item.entry.id);
    return message === undefined ? [] : [{ item, message }];
  });
  await queue.remove(batch.filter((i) => !refused.has(i.entry.id)));
  if (aside.length) await queue.setAside(aside, sending.now());
  await sending.took(
    job,
    batch.map((i) => i.entry.id),
    answer,
  );
}

/**
 * A backup was brought back since these were written: what is of the same job goes on to it, what was written for
 * another is set aside. Returns how the run ends where the server cannot be asked.
 */
async function meet(sending: EntrySending, job: number): Promise<Connection | null> {
  const { queue, transport } = sending;
  const news = await transport.news(job, NOWHERE, true);
  if (news.kind === 'taken') {
    const { id, generation, kept = 0 } = news.value;
    await setAside(sending, job, await queue.meet(job, { id, generation }, kept), OTHER_JOB);
    return null;
  }
  if (news.kind !== 'refused') return endingOf(news) ?? 'offline';
  await setAside(sending, job, await queue.waiting(job), news.message);
  return null;
}

async function setAside(
  sending: EntrySending,
  job: number,
  items: readonly WaitingEntry[],
  message: string,
): Promise<void> {
  await sending.queue.setAside(
    items.map((item) => ({ item, message })),
    sending.now(),
  );
  await sending.changed(job);
}
