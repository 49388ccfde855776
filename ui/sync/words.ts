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
export function waitingWords(waiting: number, jobs: number): string {
  if (waiting === 0) return 'Go on working: what you enter is kept on this device and sent later.';
  const changes = waiting === 1 ? 'One change waits' : `${waiting} changes wait`;
  const where = jobs > 1 ? ` in ${jobs} jobs` : '';
  return `${changes} on this device${where}, and will be sent by itself.`;
}

/** A slot in words where no unit is at hand: `complaint.words` → "complaint words". */
export const slotPlain = (slot: string) => slot.replaceAll('.', ' ').replaceAll('-', ' ');
