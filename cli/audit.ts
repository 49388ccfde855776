import { spawnSync } from 'node:child_process';
import { CommandError } from './fail';
import { noFiles, readOptions } from './input';
import { ROOT } from './system';

export const help = `
./pelvik audit

Asks the package registry for known weaknesses of the packages Pelvik runs on, and lists them. Needs the network; fails
when one is of high or critical weight.
`;

interface Audit {
  vulnerabilities?: Record<string, { name: string; severity: string; range: string }>;
}

export async function run(args: string[]): Promise<number> {
  noFiles(readOptions(args, [], []), 'audit');
  const done = spawnSync('npm', ['audit', '--omit=dev', '--json'], {
    cwd: ROOT,
    encoding: 'utf8',
    maxBuffer: 64e6,
  });
  let answer: Audit;
  try {
    answer = JSON.parse(done.stdout) as Audit;
  } catch {
    throw new CommandError('npm gave no answer that can be read. Is the registry reachable?');
  }
  if (!answer.vulnerabilities)
    throw new CommandError('This registry answers no questions about weaknesses; ask one that does.');
  const found = Object.values(answer.vulnerabilities);
  for (const { name, severity, range } of found)
    process.stdout.write(`${severity.padEnd(10)} ${name} ${range}\n`);
  process.stdout.write(`${found.length} known weaknesses in the packages Pelvik runs on.\n`);
  return found.some((v) => v.severity === 'high' || v.severity === 'critical') ? 1 : 0;
}
