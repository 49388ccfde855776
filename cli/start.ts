import { randomBytes } from 'node:crypto';
import { resolve } from 'node:path';
import { Client } from 'pg';
import { serveShop } from './demo';
import { CommandError } from './fail';
import { noFiles, readOptions, wholeOption } from './input';
import type { Options } from './input';
import { checkOwner, checkServing, databaseOf, outsidePostgres } from './outside';

export const help = `
./pelvik start [--port N] [--host ADDRESS] [--processes N] [--trusted-proxies LIST]
               [--database URL --owner URL] [--outbox FOLDER] [--log FOLDER]

Serves a shop of one's own, without the demo's data: installs what is missing, starts a private PostgreSQL on loopback,
migrates, builds when stale and serves. The first time it prints a code: whoever has it becomes the owner, and is led
through the settings. Ctrl-C stops all of it. ./pelvik backup --shop FILE keeps a copy.

--database   serves from a PostgreSQL that is there already: the address as the role pelvik_app, which owns nothing.
             Also from PELVIK_DATABASE_URL, so that no password stands in a list of processes.
--owner      the same database as the role that owns it: it migrates, and serves nobody. Also from PELVIK_OWNER_URL.
--processes  so many server processes on the one port. More machines may serve the same database.
--host       the address to listen on, 127.0.0.1 unless said otherwise.
--trusted-proxies  who may say where a request came from, such as 127.0.0.1 or 10.0.0.0/8, with commas.
--outbox, --log    folders for the messages that go out and for what went wrong.

GET /api/health answers while a process lives, GET /api/ready while it can serve. docs/running.md has it all.
`;

export const SHOP_DATABASE = 'pelvik_shop';
const MOST_PROCESSES = 32;

export function run(args: string[]): Promise<number> {
  const options = readOptions(
    args,
    [],
    ['--port', '--host', '--processes', '--trusted-proxies', '--database', '--owner', '--outbox', '--log'],
  );
  noFiles(options, 'start');
  folders(options);
  const outside = outsideOf(options);
  let code: string | null = null;
  return serveShop(options, {
    database: outside ? databaseOf(outside.serving, '--database') : SHOP_DATABASE,
    mode: 'start',
    ...(outside
      ? {
          postgres: async () => {
            const postgres = await outsidePostgres(outside.serving, outside.owner);
            await checkOwner(outside.owner);
            return postgres;
          },
          ready: () => checkServing(outside.serving),
        }
      : {}),
    serving: {
      host: last(options, '--host'),
      processes: wholeOption(options, '--processes', 1, 1, MOST_PROCESSES),
      proxies: last(options, '--trusted-proxies'),
    },
    fill: async (databaseUrl) => {
      if (await hasPeople(databaseUrl)) return;
      code = randomBytes(9).toString('base64url');
      process.env.PELVIK_SETUP = code;
    },
    greeting: (address) =>
      code
        ? `Nobody works here yet. Open ${address}/signin and set the shop up with this code:\n  ${code}`
        : 'Sign in with your own name.',
  });
}

const last = (options: Options, name: string) => options.values.get(name)?.at(-1);

/** Relative ones are meant from the checkout, where every command runs. */
function folders(options: Options): void {
  for (const [name, variable] of [
    ['--outbox', 'PELVIK_OUTBOX'],
    ['--log', 'PELVIK_LOG_FOLDER'],
  ] as const) {
    const folder = last(options, name);
    if (folder !== undefined) process.env[variable] = resolve(folder);
  }
}

/** The addresses of a database that is not ours; null where it is. Throws a CommandError when one of the two is missing. */
export function outsideOf(options: Options): { serving: string; owner: string } | null {
  const serving = last(options, '--database') ?? process.env.PELVIK_DATABASE_URL;
  const owner = last(options, '--owner') ?? process.env.PELVIK_OWNER_URL;
  if (!serving && !owner) return null;
  if (!serving || !owner)
    throw new CommandError(
      'A database of one’s own takes two addresses: --database for the role that serves, --owner for the one that migrates.',
      2,
    );
  return { serving, owner };
}

async function hasPeople(databaseUrl: string): Promise<boolean> {
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    return (await client.query('SELECT 1 FROM users LIMIT 1')).rows.length > 0;
  } finally {
    await client.end();
  }
}
