import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const data = path.join(__dirname, '..', '.pelvik', 'leftover-test');
jest.mock('./system', () => {
  const place = jest.requireActual<{
    join: (...parts: string[]) => string;
    resolve: (...parts: string[]) => string;
  }>('node:path');
  const root = place.resolve(__dirname, '..');
  return { ROOT: root, DATA: place.join(root, '.pelvik', 'leftover-test') };
});
import { endLeftover, forgetServer, noteServer, servedAt } from './leftover';

const note = path.join(data, 'server.json');
beforeEach(() => mkdirSync(data, { recursive: true }));
afterAll(() => rmSync(data, { recursive: true, force: true }));

/** A process that would run for a minute, in a folder. */
function sleeper(cwd: string) {
  const child = spawn(process.execPath, ['-e', 'setTimeout(() => {}, 60000)'], { cwd, stdio: 'ignore' });
  const ended = new Promise<NodeJS.Signals | null>((resolve) =>
    child.once('exit', (_, signal) => resolve(signal)),
  );
  return { child, ended };
}
const ROOT = path.resolve(__dirname, '..');

test('the server a killed run left behind is ended, and the note goes', async () => {
  const { child, ended } = sleeper(ROOT);
  noteServer(child.pid!, 'http://here');
  expect(JSON.parse(readFileSync(note, 'utf8'))).toMatchObject({ server: { pid: child.pid } });
  endLeftover();
  expect(await ended).toBe('SIGKILL');
  expect(existsSync(note)).toBe(false);
});

test('a stranger that got the same process id later is left alone', async () => {
  const { child, ended } = sleeper(ROOT);
  const mark = { pid: child.pid, started: '1' };
  writeFileSync(note, JSON.stringify({ command: mark, server: mark, address: 'http://here' }));
  endLeftover();
  expect(child.exitCode).toBeNull();
  expect(child.signalCode).toBeNull();
  child.kill('SIGTERM');
  expect(await ended).toBe('SIGTERM');
});

test('a process of another folder is left alone', async () => {
  const { child, ended } = sleeper('/');
  noteServer(child.pid!, 'http://here');
  endLeftover();
  child.kill('SIGTERM');
  expect(await ended).toBe('SIGTERM');
});

test('no note, or one of a process long gone, is no trouble', () => {
  forgetServer();
  expect(() => endLeftover()).not.toThrow();
  const gone = { pid: 2 ** 22 - 1, started: '5' };
  writeFileSync(note, JSON.stringify({ command: gone, server: gone, address: 'http://here' }));
  expect(servedAt()).toBeNull();
  expect(() => endLeftover()).not.toThrow();
  expect(existsSync(note)).toBe(false);
});

test('a second start learns where the first one serves, while its command lives', async () => {
  const { child, ended } = sleeper(ROOT);
  noteServer(child.pid!, 'http://127.0.0.1:4999');
  expect(servedAt()).toBe('http://127.0.0.1:4999');
  writeFileSync(note, '{"half":');
  expect(servedAt()).toBeNull();
  expect(() => endLeftover()).not.toThrow();
  child.kill('SIGTERM');
  await ended;
});
