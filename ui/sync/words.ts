import type { SyncState } from './engine';
/** "2 changes of Mira Sollen wait here." */
export function changesWait(changes: number, name: string): string {
  return changes === 1 ? `1 change of ${name} waits here.` : `${changes} changes of ${name} wait here.`;
}

/** Told to whoever else uses the device. */
export function othersWait({ name, changes }: { name: string; changes: number }): string {
  const [first] = name.split(' ');
  return `${changesWait(changes, name)} ${changes === 1 ? 'It is' : 'They are'} kept, and sent when ${first} signs in.`;
}

/** What a person reads of their own waiting changes while they cannot be sent. */
function waitingWords(waiting: number, jobs: number): string {
  if (waiting === 0) return 'Go on working: what you enter is kept on this device and sent later.';
  const changes = waiting === 1 ? 'One change waits' : `${waiting} changes wait`;
  const where = jobs > 1 ? ` in ${jobs} jobs` : '';
  return `${changes} on this device${where}, and will be sent automatically.`;
}

/** A slot in words where no unit is at hand: `complaint.words` → "complaint words". */
export const slotPlain = (slot: string) => slot.replaceAll('.', ' ').replaceAll('-', ' ');

/** What is said of the connection while nothing goes out; null while all is well, or not known yet. */
export function connectionNotice({
  connection,
  says,
  waiting,
  byJob,
}: Pick<SyncState, 'connection' | 'says' | 'waiting' | 'byJob'>): {
  title: string;
  words: string;
  signIn: boolean;
} | null {
  if (connection !== 'offline' && connection !== 'signed-out') return null;
  const signIn = connection === 'signed-out';
  return {
    title: signIn ? 'You are signed out.' : (says ?? 'No connection to the shop’s server.'),
    words: waitingWords(waiting, byJob.size),
    signIn,
  };
}

/** What heads the changes the server refused. */
export const refusedWords = (changes: number) =>
  `Not kept: the server refused ${changes === 1 ? 'one change' : `${changes} changes`}. Everything else was saved.`;
