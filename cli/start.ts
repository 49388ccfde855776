import { randomBytes } from 'node:crypto';
import { Client } from 'pg';
import { serveShop } from './demo';
import { noFiles, readOptions } from './input';

export const help = `
./pelvik start [--port N]

Serves a shop of one's own, without the demo's data: installs what is missing, starts a private PostgreSQL on loopback,
migrates, builds when stale and serves. The first time it prints a code: whoever has it becomes the owner, and is led
through the settings. Ctrl-C stops all of it. ./pelvik backup --shop FILE keeps a copy.
`;

export const SHOP_DATABASE = 'pelvik_shop';

export function run(args: string[]): Promise<number> {
  const options = readOptions(args, [], ['--port']);
  noFiles(options, 'start');
  let code: string | null = null;
  return serveShop(options, {
    database: SHOP_DATABASE,
    mode: 'start',
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

async function hasPeople(databaseUrl: string): Promise<boolean> {
  const client = new Client({ connectionString: databaseUrl });
  await client.connect();
  try {
    return (await client.query('SELECT 1 FROM users LIMIT 1')).rows.length > 0;
  } finally {
    await client.end();
  }
}
