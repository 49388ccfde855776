import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { dice } from './dice';
import { CommandError } from './fail';
import { noFiles, readOptions } from './input';
import { DATA, ensureData, ROOT } from './system';

export const help = `
./pelvik mutate [--only SUBJECT]... [--share PERCENT]

Breaks the core on purpose, one small change at a time, and sees whether a test falls. SUBJECT is a folder of core/
(quote, case and scope unless said otherwise; facts takes minutes, suspects an hour, diagnosis many). A subject has to
be held by the tests that stand beside it. --share breaks only that share of its lines, in stretches of eight, always
the same ones. Prints a table, and fails when money (core/quote), fold (core/case) or scope (core/scope) catch fewer
than 80 of 100, facts, suspects or diagnosis fewer than 85. Not part of ./pelvik test.
`;

/** Share of changes the tests must notice, by subject. */
const DEMANDED: Record<string, number> = {
  quote: 0.8,
  case: 0.8,
  scope: 0.8,
  facts: 0.85,
  suspects: 0.85,
  diagnosis: 0.85,
};
const USUAL = ['quote', 'case', 'scope'];
/** Lines that are broken together when only a share is: most changes lie within so many. */
const STRETCH = 8;
const REPORT = path.join(DATA, 'mutation.json');

interface Report {
  files: Record<string, { mutants: { status: string }[] }>;
}
interface Sum {
  caught: number;
  all: number;
}

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, [], ['--only', '--share']);
  noFiles(options, 'mutate');
  const subjects = options.values.get('--only') ?? USUAL;
  const share = Number(options.values.get('--share')?.[0] ?? 100) / 100;
  if (!(share > 0 && share <= 1)) throw new CommandError('--share takes a percentage, from 1 to 100.', 2);
  for (const subject of subjects)
    if (!existsSync(path.join(ROOT, 'core', subject)))
      throw new CommandError(`There is no folder core/${subject}.`, 2);
  ensureData();
  const sums = subjects.map((subject) => [subject, table(subject, mutate(subject, share))] as const);
  for (const [subject, sum] of sums) process.stdout.write(row(`core/${subject}`, sum));
  return sums.some(([subject, { caught, all }]) => caught / all < (DEMANDED[subject] ?? 0)) ? 1 : 0;
}

/** Runs one subject against its own tests: every test of the core touches the fold, and would be run for its changes. */
function mutate(subject: string, share: number): Report {
  rmSync(REPORT, { force: true });
  const patterns =
    share < 1
      ? stretches(subject, share)
      : [`core/${subject}/**/*.ts`, '!core/**/*.test.ts', '!core/**/index.ts'];
  const stryker = ['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', 'stryker.config.json'];
  const done = spawnSync(process.execPath, [...stryker, '--mutate', patterns.join(',')], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, PELVIK_MUTATED: subject },
  });
  if (done.status !== 0 || !existsSync(REPORT))
    throw new CommandError(`The mutation run of core/${subject} did not come to its end.`);
  return JSON.parse(readFileSync(REPORT, 'utf8')) as Report;
}

/** Stretches of a subject's files, `file:from-to`, each taken with the given chance. */
function stretches(subject: string, share: number): string[] {
  const chosen = dice(1);
  const folder = path.join('core', subject);
  return readdirSync(path.join(ROOT, folder))
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts') && f !== 'index.ts')
    .sort()
    .flatMap((f) => {
      const file = path.join(folder, f);
      const lines = readFileSync(path.join(ROOT, file), 'utf8').split('\n').length;
      return Array.from({ length: Math.ceil(lines / STRETCH) }, (_, k) => k * STRETCH + 1)
        .filter(() => chosen.chance(share))
        .map((from) => `${file}:${from}-${from + STRETCH - 1}`);
    });
}

/** Prints what was caught of a subject, file by file, and returns the sum. */
function table(subject: string, report: Report): Sum {
  const total = { caught: 0, all: 0 };
  for (const [file, { mutants }] of Object.entries(report.files).sort(([a], [b]) => a.localeCompare(b))) {
    if (!file.startsWith(`core/${subject}/`)) continue;
    const counted = mutants.filter((m) => m.status !== 'Ignored' && m.status !== 'CompileError');
    const caught = counted.filter((m) => m.status === 'Killed' || m.status === 'Timeout').length;
    if (counted.length === 0) continue;
    process.stdout.write(row(file, { caught, all: counted.length }));
    total.caught += caught;
    total.all += counted.length;
  }
  return total;
}

function row(name: string, { caught, all }: Sum): string {
  const share = ((100 * caught) / all).toFixed(1);
  return `${name.padEnd(40)} ${String(caught).padStart(5)} of ${String(all).padStart(5)}  ${share.padStart(5)} %\n`;
}
