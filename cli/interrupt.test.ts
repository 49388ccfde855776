import { spawn } from 'node:child_process';
import path from 'node:path';
import { CommandError } from './fail';
import { ENDING, interruptible } from './interrupt';

const ROOT = path.resolve(__dirname, '..');
const handlers = () => ENDING.map((signal) => process.listenerCount(signal));

test('work that ends by itself gives its result, or its failure, and signals mean what they did before', async () => {
  const before = handlers();
  expect(await interruptible(() => 7)).toBe(7);
  await expect(interruptible(() => Promise.reject(new CommandError('No.')))).rejects.toThrow('No.');
  await expect(
    interruptible(() => {
      throw new Error('At once.');
    }),
  ).rejects.toThrow('At once.');
  expect(handlers()).toEqual(before);
});

/** A command that starts a child and works on it, within work that has something of its own to end. */
const COMMAND = `
const { interruptible } = require('./cli/interrupt');
const { start, stop } = require('./cli/system');
const never = () => new Promise(() => setInterval(() => {}, 1000));
const say = (words) => process.stdout.write(words + '\\n');
async function run() {
  try {
    await interruptible(async () => {
      const child = start(['-e', 'setInterval(() => {}, 1000)'], { stdio: 'ignore' });
      say('child ' + child.pid);
      try {
        await interruptible(CASE === 'failing' ? () => process.exit(3) : never);
      } finally {
        await new Promise((resolve) => setTimeout(resolve, 300));
        await stop(child);
        say('inner ended');
      }
    });
  } finally {
    await new Promise((resolve) => setTimeout(resolve, 400));
    say('outer ended');
  }
}
run().catch((error) => { say(error.message); process.exit(1); });
`;

/** What the command said, its code, and whether its child is still there. */
async function command(kind: 'waiting' | 'failing', signals: NodeJS.Signals[]) {
  const code = `const CASE = '${kind}';${COMMAND}`;
  const child = spawn(process.execPath, ['--import', 'tsx', '-e', code], {
    cwd: ROOT,
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let said = '';
  const left = new Promise<number | null>((resolve) => child.once('close', resolve));
  const started = new Promise<void>((resolve) =>
    child.stdout.on('data', (piece: Buffer) => {
      said += piece.toString();
      if (said.includes('child ')) resolve();
    }),
  );
  await Promise.race([started, left]);
  for (const signal of signals) {
    child.kill(signal);
    await new Promise((resolve) => setTimeout(resolve, 250));
  }
  const ended = await left;
  const pid = Number(/child (\d+)/.exec(said)![1]);
  const lives = () => {
    try {
      process.kill(pid, 0);
      return true;
    } catch {
      return false;
    }
  };
  for (let tries = 0; tries < 20 && lives(); tries++)
    await new Promise((resolve) => setTimeout(resolve, 100));
  return { said: said.replace(/^child \d+\n/, ''), code: ended, lives: lives() };
}

test('a command asked to end, again and again by the impatient, ends what it began from the inside out', async () => {
  expect(await command('waiting', ['SIGTERM', 'SIGINT', 'SIGHUP'])).toEqual({
    said: 'inner ended\nouter ended\nStopped before the end.\n',
    code: 1,
    lives: false,
  });
});

test('a process it started does not outlive a command that leaves without ending it', async () => {
  expect(await command('failing', [])).toEqual({ said: '', code: 3, lives: false });
});
