import type { After } from './runner';
import type { Store } from './store';
import type { Appended, Transport } from './transport';

/** What is sent by itself: writes are small and must not wait for a photo on a slow line. */
export type Sending = 'entries' | 'photos';

/** What tabs of one person tell each other. */
export type Told =
  | { kind: 'changed'; job?: number }
  | { kind: 'taken'; job: number; ids: string[]; answer: Appended };

/** What the engine needs of its surroundings: replaced in tests. */
export interface Surroundings {
  openStore(): Promise<Store>;
  transport: Transport;
  newId(): string;
  now(): string;
  /** Runs one kind of work while no other tab of this person does. */
  alone<T>(what: Sending, work: () => Promise<T>): Promise<T>;
  /** How tabs of one person hear of each other. */
  openChannel(hear: (told: Told) => void): { tell(told: Told): void; close(): void };
  after: After;
}
