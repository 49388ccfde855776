import type { BoardColumn } from '@/core/case';
import type { Stage } from '@/core/stage';

export const WAITS = [
  { value: 'customer', label: 'Customer' },
  { value: 'part', label: 'Part' },
  { value: 'bench', label: 'Bench' },
  { value: 'measurement', label: 'Measurement' },
] as const;
export const DUE = [{ value: 'due', label: 'Due or late' }] as const;
export const CLOSED = [{ value: 'closed', label: 'Closed' }] as const;
/** What the board is narrowed to. */
export type Filter = (typeof WAITS | typeof DUE | typeof CLOSED)[number]['value'];

/** The chosen filter where it is one of these. */
export function only<T extends Filter>(
  filter: Filter | null,
  options: readonly { value: T }[],
): T | undefined {
  return options.find((o) => o.value === filter)?.value;
}

/** The address that asks for the board as it is filtered. */
export function asked(words: string, filter: Filter | null, more?: { stage: Stage; from: number }): string {
  const query = new URLSearchParams();
  if (words) query.set('q', words);
  if (filter === 'due' || filter === 'closed') query.set(filter, '1');
  else if (filter) query.set('waits', filter);
  if (more) query.set('stage', more.stage);
  if (more) query.set('from', String(more.from));
  return `/api/jobs?${query}`;
}

/** The board as the server answers it. */
export type Columns = { columns: BoardColumn[]; due: Due };

/** Jobs promised for today, and for earlier, that are not done. */
export interface Due {
  today: number;
  late: number;
}
