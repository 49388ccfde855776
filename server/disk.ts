import { statfs } from 'node:fs/promises';
import { UserError } from './problem';

/** What is kept free for findings, bytes: photos and clips are many times their size, and are refused first. */
const RESERVE = 512 * 2 ** 20;
/** How long an answer about the disk stays good, ms. */
const FRESH = 2000;

let asked = 0;
let free = Infinity;

/** Bytes free on the disk the database writes to; Infinity where that is another machine's. */
async function freeBytes(): Promise<number> {
  const folder = process.env.PELVIK_DISK;
  if (!folder) return Infinity;
  if (Date.now() - asked > FRESH) {
    asked = Date.now();
    free = await statfs(folder).then(
      ({ bavail, bsize }) => bavail * bsize,
      () => Infinity,
    );
  }
  return free;
}

/** Before a photo, a clip or a case with pictures is taken in. Throws a UserError 503 when only the reserve is left. */
export async function demandDiskFor(bytes: number): Promise<void> {
  if ((await freeBytes()) - bytes >= RESERVE) return;
  throw new UserError(
    503,
    'The disk of the shop’s server is nearly full: what is left is kept for findings.',
    'Make room on the server’s disk. Photos wait on this device and go on by themselves.',
  );
}
