import { spawnSync } from 'node:child_process';
import { existsSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { CommandError } from './fail';
import { noFiles, readOptions } from './input';
import { DATA, ensureData, ROOT } from './system';

export const help = `
./pelvik mutate [--only SUBJECT]... [--files PATTERN]...

Breaks the core on purpose, one small change at a time, and sees whether a test falls. SUBJECT is a folder of core/
(quote, case and scope unless said otherwise); PATTERN a file pattern. Prints a table, and fails when money (core/quote),
fold (core/case) or scope (core/scope) catch fewer than 80 of 100. Takes minutes; not part of ./pelvik test.
`;

/** Share of changes the tests must notice, by subject. */
const DEMANDED: Record<string, number> = { quote: 0.8, case: 0.8, scope: 0.8 };
const REPORT = path.join(DATA, 'mutation.json');

interface Report {
  files: Record<string, { mutants: { status: string }[] }>;
}

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, [], ['--only', '--files']);
  noFiles(options, 'mutate');
  const subjects =
    options.values.get('--only') ?? (options.values.has('--files') ? [] : Object.keys(DEMANDED));
  for (const subject of subjects)
    if (!existsSync(path.join(ROOT, 'core', subject)))
      throw new CommandError(`There is no folder core/${subject}.`, 2);
  const patterns = [
    ...subjects.map((s) => `core/${s}/**/*.ts`),
    ...(options.values.get('--files') ?? []),
    '!core/**/*.test.ts',
    '!core/**/index.ts',
  ];
  ensureData();
  const done = spawnSync(
    process.execPath,
    [
      'node_modules/@stryker-mutator/core/bin/stryker.js',
      'run',
      'stryker.config.json',
      '--mutate',
      patterns.join(','),
    ],
    { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'] },
  );
  if (done.status !== 0 || !existsSync(REPORT))
    throw new CommandError('The mutation run did not come to its end.');
  return table(JSON.parse(readFileSync(REPORT, 'utf8')) as Report);
}

/** Prints what was caught, file by file and subject by subject; 1 when a subject stays below what is demanded. */
function table(report: Report): number {
  const bySubject = new Map<string, { caught: number; all: number }>();
  const rows = Object.entries(report.files)
    .map(([file, { mutants }]) => {
      const counted = mutants.filter(
        (m) => !['Ignored', 'CompileError', 'NoCoverage:Static'].includes(m.status),
      );
      const caught = counted.filter((m) => m.status === 'Killed' || m.status === 'Timeout').length;
      const subject = file.split('/')[1]!;
      const sum = bySubject.get(subject) ?? { caught: 0, all: 0 };
      bySubject.set(subject, { caught: sum.caught + caught, all: sum.all + counted.length });
      return { file, caught, all: counted.length };
    })
    .filter((r) => r.all > 0);
  const line = (name: string, { caught, all }: { caught: number; all: number }) =>
    `${name.padEnd(40)} ${String(caught).padStart(5)} of ${String(all).padStart(5)}  ${((100 * caught) / all).toFixed(1).padStart(5)} %\n`;
  for (const row of rows.sort((a, b) => a.file.localeCompare(b.file)))
    process.stdout.write(line(row.file, row));
  let low = 0;
  for (const [subject, sum] of [...bySubject].sort()) {
    process.stdout.write(line(`core/${subject}`, sum));
    if (sum.caught / sum.all < (DEMANDED[subject] ?? 0)) low++;
  }
  return low ? 1 : 0;
}
