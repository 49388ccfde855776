import { closeSync, existsSync, mkdirSync, openSync, renameSync, rmSync } from 'node:fs';
import path from 'node:path';
import { dropDatabase } from './cluster';
import type { Cluster } from './cluster';
import { CommandError } from './fail';
import { noFiles, oneFile, readOptions, wholeOption } from './input';
import { bringBack, databaseExists, demandScratch, onDatabase, PLACE_HELP, placeOf } from './place';
import type { Place } from './place';
import { prune } from './prune';
import { DATA, must } from './system';

export const help = `
./pelvik backup [--shop | --owner URL] FILE
./pelvik backup [--shop | --owner URL] --daily [--keep N] [--into FOLDER]

Writes the whole database, photos included, to FILE (PostgreSQL's custom format), for its owner's eyes only (mode 0600).
${PLACE_HELP}
Refuses to overwrite; a backup that was cut off leaves no FILE.

--daily names the file by database and day, brings it back on a scratch database to see that it can be, and then deletes
what is older than the newest N (14 unless said otherwise) in FOLDER (.pelvik/backups). Run again the same day it makes
that day's anew. For a timer: it ends with 1 when the backup could not be made or brought back, and deletes nothing then.
`;

const MOST_KEPT = 3650;
const TRYING = 'pelvik_trying';

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--shop', '--daily'], ['--owner', '--keep', '--into']);
  const keep = wholeOption(options, '--keep', 14, 1, MOST_KEPT);
  const daily = options.flags.has('--daily');
  if (daily) noFiles(options, 'backup --daily');
  const file = daily ? null : oneFile(options, 'backup');
  if (file !== null && existsSync(file))
    throw new CommandError(`${file} exists already: choose another name.`, 2);
  const place = await placeOf(options);
  try {
    if (!(await databaseExists(place.cluster, place.database)))
      throw new CommandError(`There is no database ${place.database} yet: nothing to back up.`);
    if (file === null) await makeDaily(place, options.values.get('--into')?.at(-1), keep);
    else {
      write(place, file);
      process.stdout.write(`Backup written to ${file}.\n`);
    }
  } finally {
    await place.cluster.release();
  }
  return 0;
}

/** Writes a database to a file that is whole or not there. */
function write({ cluster, database }: Place, file: string): void {
  const part = `${file}.part`;
  rmSync(part, { force: true });
  // Made before anything is in it, so that it is never readable for others, not even for a moment.
  try {
    closeSync(openSync(part, 'wx', 0o600));
  } catch {
    throw new CommandError(`${file} cannot be written: is the folder there?`, 2);
  }
  try {
    must(cluster.binary('pg_dump'), ['-Fc', '-f', part, database], { env: cluster.env });
    renameSync(part, file);
  } finally {
    rmSync(part, { force: true });
  }
}

async function makeDaily(place: Place, into: string | undefined, keep: number): Promise<void> {
  await demandScratch(place.cluster);
  const folder = path.resolve(into ?? path.join(DATA, 'backups'));
  mkdirSync(folder, { recursive: true, mode: 0o700 });
  const day = new Date().toISOString().slice(0, 10);
  const file = path.join(folder, `${place.database}-${day}.backup`);
  const before = await contents(place.cluster, place.database);
  const fresh = `${file}.new`;
  rmSync(fresh, { force: true });
  write(place, fresh);
  const after = await contents(place.cluster, place.database);
  try {
    const restored = await tried(place.cluster, fresh);
    for (const [table, rows] of Object.entries(restored))
      if (rows < before[table]! || rows > after[table]!)
        throw new CommandError(`${rows} rows of ${table} came back, and ${before[table]} had been there.`);
    renameSync(fresh, file);
    const gone = prune(folder, place.database, keep);
    process.stdout.write(
      `Backup written to ${file} and brought back to try: ${restored.jobs} jobs, ${restored.entries} entries, ${restored.photos} photos.` +
        `${gone ? ` ${gone} older ${gone === 1 ? 'one' : 'ones'} deleted.` : ''}\n`,
    );
  } catch (error) {
    rmSync(fresh, { force: true });
    throw new CommandError(
      `The backup of today cannot be brought back, and was not kept: ${error instanceof Error ? error.message : String(error)} What was kept before is as it was.`,
    );
  }
}

/** What is counted to tell whether everything came back; only ever added to while a shop works. */
const COUNTED = [
  'users',
  'jobs',
  'entries',
  'photos',
  'quotes',
  'quote_answers',
  'audit',
  'migrations',
] as const;
type Contents = Record<string, number>;

async function contents(cluster: Cluster, database: string): Promise<Contents> {
  return onDatabase(cluster, database, async (client) => {
    const counted = COUNTED.map((table) => `(SELECT count(*)::int FROM ${table}) AS ${table}`);
    return (await client.query(`SELECT ${counted.join(', ')}`)).rows[0] as Contents;
  });
}

/** Brings a backup back on a database that is there for nothing else, and says what is in it. */
async function tried(cluster: Cluster, file: string): Promise<Contents> {
  try {
    await bringBack(cluster, file, TRYING);
    return await contents(cluster, TRYING);
  } finally {
    await dropDatabase(cluster, TRYING);
  }
}
