import { readdirSync, rmSync } from 'node:fs';
import path from 'node:path';

/** Deletes the oldest daily backups of a database beyond so many; returns how many. */
export function prune(folder: string, database: string, keep: number): number {
  const daily = new RegExp(`^${database}-\\d{4}-\\d\\d-\\d\\d\\.backup$`);
  const old = readdirSync(folder)
    .filter((name) => daily.test(name))
    .sort()
    .slice(0, -keep);
  for (const name of old) rmSync(path.join(folder, name));
  return old.length;
}
