import { setTimeout as pause } from 'node:timers/promises';
import { databaseAnswers, inTransaction, withClient } from './db';
import { UserError } from './problem';
import { asOwner, closePool } from '@/tests/test-database';

afterAll(closePool);

/** The connection of a piece of work is cut by the server, as when PostgreSQL is killed. */
const cutConnection = (pid: number) =>
  withClient((client) => client.query('SELECT pg_terminate_backend($1)', [pid]));

async function pidOf(client: { query(sql: string): Promise<{ rows: { pid: number }[] }> }): Promise<number> {
  return (await client.query('SELECT pg_backend_pid() AS pid')).rows[0]!.pid;
}

test('a connection lost between two statements ends that work, not the process', async () => {
  const lost = inTransaction(async (client) => {
    await cutConnection(await pidOf(client));
    await pause(100);
    await client.query('SELECT 1');
  });
  await expect(lost).rejects.toMatchObject({ status: 503 });
  expect(await databaseAnswers()).toBe(true);
});

test('a connection lost in the middle of a statement is an answer that can be repeated', async () => {
  const lost = withClient(async (client) => {
    const pid = await pidOf(client);
    await Promise.all([client.query('SELECT pg_sleep(5)'), cutConnection(pid)]);
  });
  await expect(lost).rejects.toBeInstanceOf(UserError);
  expect(await databaseAnswers()).toBe(true);
});

test.each([
  [`INSERT INTO sessions (token_hash, user_id, expires_at) VALUES ('\\x00', 'nobody-here', now())`, 409],
  [`INSERT INTO generation DEFAULT VALUES`, 409],
])('what another request came in between is told in words: %s', async (sql, status) => {
  await expect(asOwner((client) => withClient(() => client.query(sql)))).rejects.toMatchObject({ status });
});
