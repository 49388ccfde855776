import { readFileSync } from 'node:fs';
import { browser } from './bench/browser';
import { core } from './bench/core';
import type { Figure } from './bench/figure';
import { fillLarge, large } from './bench/large';
import { people } from './bench/people';
import { processes } from './bench/processes';
import { proof } from './bench/proof';
import { scaling } from './bench/scaling';
import { served } from './bench/served';
import { noFiles, readOptions, wholeOption } from './input';

export const help = `
./pelvik bench [--people | --large | --processes | --proof]

Measures the budgets on this machine and prints JSON: milliseconds, kilobytes, and the budget beside each figure.
--people: two hundred people on one server for two minutes. --processes: what a second server process adds. --large: a shop of 20,000 jobs and two million entries.
--proof: made-up failures judged by the model and by three plain rules: how often each is right, and how well what is said
agrees with what is so. Takes some minutes; --stories N of each unit (100 unless said otherwise).
`;

const MOST_STORIES = 10_000;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--people', '--large', '--processes', '--proof'], ['--stories']);
  noFiles(options, 'bench');
  const stories = wholeOption(options, '--stories', 100, 1, MOST_STORIES);
  const before = processorTime();
  const proofs = options.flags.has('--proof') ? proof(stories) : null;
  const growth = options.flags.size ? null : scaling();
  const figures = proofs?.figures ?? [...(growth?.figures ?? []), ...(await measure(options.flags))];
  const after = processorTime();
  const rounded = figures.map((f) => ({
    ...f,
    value: Math.round(f.value * 1000) / 1000,
    held: f.value <= f.budget,
  }));
  // On a shared machine others take processor time: figures taken while this is high say little.
  const stolen = (after.stolen - before.stolen) / Math.max(1, after.all - before.all);
  const answer = {
    figures: rounded,
    ...(proofs ? { tables: proofs.tables } : {}),
    ...(growth ? { scaling: growth.scaling } : {}),
    takenByOtherMachines: Math.round(stolen * 1000) / 1000,
  };
  process.stdout.write(`${JSON.stringify(answer, shortened, 1)}\n`);
  return rounded.every((f) => f.held) ? 0 : 1;
}

async function measure(flags: Set<string>): Promise<Figure[]> {
  if (flags.has('--people')) return served(people);
  if (flags.has('--large')) return served(large, fillLarge);
  if (flags.has('--processes')) return processes();
  return [...core(), ...(await served(browser))];
}

/** Shares to three places: more are not worth printing. */
function shortened(_: string, value: unknown): unknown {
  return typeof value === 'number' ? Math.round(value * 1000) / 1000 : value;
}

/** Processor time since the machine started, and what its host gave to others, in ticks. */
function processorTime(): { all: number; stolen: number } {
  const ticks = readFileSync('/proc/stat', 'utf8')
    .split('\n')[0]!
    .trim()
    .split(/\s+/)
    .slice(1, 9)
    .map(Number);
  return { all: ticks.reduce((a, b) => a + b, 0), stolen: ticks[7] ?? 0 };
}
