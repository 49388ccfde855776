import { spawnSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { dice } from './dice';
import type { Dice } from './dice';
import { CommandError } from './fail';
import { noFiles, readOptions } from './input';
import { databaseTests, withDatabase } from './scratch';
import { DATA, ensureData, ROOT } from './system';

export const help = `
./pelvik mutate [--only SUBJECT]... [--share PERCENT] [--show]

Breaks the program on purpose, one small change at a time, and sees whether a test falls. SUBJECT is a folder of core/,
ui/sync or server, all of these unless said otherwise: quote, case, scope, schedule, supply, shelf, inspection,
powerflow, inference, validation, ui/sync, server.

A file is held by the tests of its name (checks.test.ts and checks.open.test.ts for checks.ts), or by those that import
it, or by all of its folder; what is not caught enough so is tried once more against all of them (of server/: against
those that import it). --share breaks only that share of the lines, in stretches of eight, always the same ones. Prints a
table, with --show also every change that came through, and fails when fewer than 85 of 100 are caught (core/case: 80).
Not part of ./pelvik test.
`;

/** Share of changes the tests must notice, where a subject has one of its own. */
const DEMANDED: Record<string, number> = { case: 0.8 };
const OTHERWISE = 0.85;
const demanded = (subject: string) => DEMANDED[subject] ?? OTHERWISE;
const CORE = ['quote', 'case', 'scope', 'schedule', 'supply', 'shelf', 'inspection', 'powerflow'];
const USUAL = [...CORE, 'inference', 'validation', 'ui/sync', 'server'];
/** What only hands over to the browser or starts the server is tried in the browser, and by `./pelvik trials`. */
const TRIED_RUNNING = [
  ...['browser', 'others-waiting', 'surroundings'].map((name) => `ui/sync/${name}.ts`),
  ...['main', 'processes', 'log', 'page', 'job-start', 'raw-bytes'].map((name) => `server/${name}.ts`),
  ...['background', 'background-tasks', 'customer-door', 'quote-pdfs'].map((name) => `server/${name}.ts`),
];
const folderOf = (subject: string) =>
  subject.includes('/') || subject === 'server' ? subject : path.join('core', subject);
/** Lines that are broken together when only a share is: most changes lie within so many. */
const STRETCH = 8;
const REPORT = path.join(DATA, 'mutation.json');

interface Place {
  line: number;
  column: number;
}
interface Mutant {
  status: string;
  mutatorName: string;
  replacement?: string;
  location: { start: Place; end: Place };
}
/** Changes by file. */
type Found = Map<string, Mutant[]>;
interface Sum {
  caught: number;
  all: number;
}

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--show'], ['--only', '--share']);
  noFiles(options, 'mutate');
  const subjects = options.values.get('--only') ?? USUAL;
  const share = Number(options.values.get('--share')?.[0] ?? 100) / 100;
  if (!(share > 0 && share <= 1)) throw new CommandError('--share takes a percentage, from 1 to 100.', 2);
  for (const subject of subjects)
    if (!existsSync(path.join(ROOT, folderOf(subject))))
      throw new CommandError(`There is no folder ${folderOf(subject)}.`, 2);
  ensureData();
  const sums: [subject: string, Sum][] = [];
  for (const subject of subjects) {
    const found = await mutate(subject, share);
    sums.push([subject, table(found)]);
    if (options.flags.has('--show')) show(found);
  }
  for (const [subject, sum] of sums) process.stdout.write(row(folderOf(subject), sum));
  return sums.some(([subject, { caught, all }]) => caught / all < demanded(subject)) ? 1 : 0;
}

/**
 * Every file against the tests of its name, which are quick, or those that import it; then, where too little was caught,
 * what came through against more of the subject's tests.
 */
async function mutate(subject: string, share: number): Promise<Found> {
  const folder = folderOf(subject);
  const names = readdirSync(path.join(ROOT, folder), { recursive: true, encoding: 'utf8' }).filter((f) =>
    f.endsWith('.ts'),
  );
  const sources = names.filter((f) => !f.endsWith('.test.ts') && path.basename(f) !== 'index.ts').sort();
  const tests = testsOf(folder, names);
  const chosen = dice(1);
  const found: Found = new Map();
  // Files held by the same tests are broken in one run.
  const runs = new Map<string, string[]>();
  for (const name of sources) {
    const file = path.join(folder, name);
    if (TRIED_RUNNING.includes(file)) continue;
    const held = tests.named(name).length ? tests.named(name) : tests.importing(name);
    const run = held.join(',');
    runs.set(run, [...(runs.get(run) ?? []), ...(share < 1 ? stretches(file, share, chosen) : [file])]);
  }
  for (const [run, patterns] of runs)
    if (patterns.length)
      for (const [file, mutants] of await broken(subject, patterns, run ? run.split(',') : []))
        found.set(file, mutants);
  const { caught, all } = sumOf([...found.values()].flat());
  if (caught / all >= demanded(subject)) return found;
  // What stood against all of them already need not do so again.
  const foundByAll = new Set((runs.get('') ?? []).map(fileOf));
  const left = [...found]
    .filter(([file]) => subject === 'server' || !foundByAll.has(file))
    .map(([file, mutants]) => ({
      file,
      through: mutants.filter((m) => isCounted(m) && !isCaught(m)).map((m) => `${file}:${patternOf(m)}`),
    }));
  const again = async (patterns: string[], held: string[]) => {
    if (!patterns.length) return;
    for (const [file, mutants] of await broken(subject, patterns, held)) {
      const caught = new Set(mutants.filter(isCaught).map(keyOf));
      for (const mutant of found.get(file)!) if (caught.has(keyOf(mutant))) mutant.status = 'Killed';
    }
  };
  // All tests of the server take a minute: those that import the file are nearly all that reach it.
  if (subject === 'server')
    for (const { file, through } of left) {
      const name = path.relative(folder, file);
      const more = tests.importing(name).filter((test) => !tests.named(name).includes(test));
      if (tests.named(name).length && more.length) await again(through, more);
    }
  else
    await again(
      left.flatMap(({ through }) => through),
      [],
    );
  return found;
}

/** The tests of a folder that are named for a file, and those that import it. */
function testsOf(folder: string, names: readonly string[]) {
  const texts = names
    .filter((f) => f.endsWith('.test.ts'))
    .map((f) => [f, readFileSync(path.join(ROOT, folder, f), 'utf8')] as const);
  const named = (name: string) => texts.map(([f]) => f).filter((f) => f.startsWith(`${name.slice(0, -3)}.`));
  const importing = (name: string) =>
    texts
      .filter(([f, text]) => {
        const from = path.relative(path.dirname(f), name.slice(0, -3));
        return text.includes(` from '${from.startsWith('.') ? from : `./${from}`}'`);
      })
      .map(([f]) => f);
  return { named, importing };
}

const placeOf = ({ location: { start, end } }: Mutant) =>
  `${start.line}:${start.column}-${end.line}:${end.column}`;
/** The same for whoever is asked to break just that: there columns begin at 0, in the report at 1. */
const patternOf = ({ location: { start, end } }: Mutant) =>
  `${start.line}:${start.column - 1}-${end.line}:${end.column - 1}`;
const keyOf = (m: Mutant) => `${placeOf(m)} ${m.mutatorName} ${m.replacement}`;

/** One run over some changes. What is broken may leave a database in disorder: each run of the server has one of its own. */
const broken = (
  subject: string,
  patterns: readonly string[],
  tests: readonly string[],
): Promise<Found> | Found =>
  subject === 'server'
    ? withDatabase('pelvik_mutate', (scratch) => {
        Object.assign(process.env, databaseTests(scratch));
        return stryker(subject, patterns, tests);
      })
    : stryker(subject, patterns, tests);

/** Some changes against these tests of the subject, or all of them. */
function stryker(subject: string, patterns: readonly string[], tests: readonly string[]): Found {
  rmSync(REPORT, { force: true });
  const program = ['node_modules/@stryker-mutator/core/bin/stryker.js', 'run', 'stryker.config.json'];
  const done = spawnSync(process.execPath, [...program, '--mutate', patterns.join(',')], {
    cwd: ROOT,
    stdio: ['ignore', 'inherit', 'inherit'],
    env: { ...process.env, PELVIK_MUTATED: folderOf(subject), PELVIK_MUTATION_TESTS: tests.join(',') },
  });
  if (done.status !== 0 || !existsSync(REPORT))
    throw new CommandError(`The mutation run of ${folderOf(subject)} did not come to its end.`);
  const { files } = JSON.parse(readFileSync(REPORT, 'utf8')) as {
    files: Record<string, { mutants: Mutant[] }>;
  };
  return new Map(Object.entries(files).map(([file, { mutants }]) => [file, mutants]));
}

const isCounted = ({ status }: Mutant) => status !== 'Ignored' && status !== 'CompileError';
const isCaught = ({ status }: Mutant) => status === 'Killed' || status === 'Timeout';
const sumOf = (mutants: readonly Mutant[]): Sum => ({
  caught: mutants.filter(isCaught).length,
  all: mutants.filter(isCounted).length,
});

/** Stretches of a file, `file:from-to`, each taken with the given chance. */
function stretches(file: string, share: number, chosen: Dice): string[] {
  const lines = readFileSync(path.join(ROOT, file), 'utf8').split('\n').length;
  return Array.from({ length: Math.ceil(lines / STRETCH) }, (_, k) => k * STRETCH + 1)
    .filter(() => chosen.chance(share))
    .map((from) => `${file}:${from}-${from + STRETCH - 1}`);
}

const fileOf = (pattern: string) => pattern.split(':')[0]!;

/** Prints what was caught of a subject, file by file, and returns the sum. */
function table(found: Found): Sum {
  for (const [file, mutants] of found) {
    const sum = sumOf(mutants);
    if (sum.all > 0) process.stdout.write(row(file, sum));
  }
  return sumOf([...found.values()].flat());
}

function show(found: Found): void {
  for (const [file, mutants] of found)
    for (const m of mutants)
      if (isCounted(m) && !isCaught(m))
        process.stdout.write(`${file}:${m.location.start.line}  ${m.replacement}\n`);
}

function row(name: string, { caught, all }: Sum): string {
  const share = ((100 * caught) / all).toFixed(1);
  return `${name.padEnd(40)} ${String(caught).padStart(5)} of ${String(all).padStart(5)}  ${share.padStart(5)} %\n`;
}
