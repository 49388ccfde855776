import { existsSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import { caseUntil, stateOfCase, STAGES } from '@/core/case';
import type { JobState } from '@/core/case';
import { chainWords, diagnoser } from '@/core/diagnosis';
import type { Cause, Diagnosis, Evidence } from '@/core/diagnosis';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import { CommandError } from './fail';
import { oneFile, readCaseOn, readOptions, stageOf, stageOption } from './input';

export const help = `
./pelvik diagnose CASE|FOLDER [--unit FILE] [--until STAGE] [--explain] [--json]

Ranks what failed first in a case file, with chain, evidence and the next checks. Given a folder, judges every case file in
it in one process; with --json one object, by file name. --until ignores what was found in later stages. --explain prints
what every finding says for and against the first causes. Exit code: 0 good, 1 the content is wrong, 2 used wrongly.
`;

/** Causes whose ledger is printed. */
const EXPLAINED = 3;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--json', '--explain'], ['--unit', '--until']);
  const given = oneFile(options, 'case');
  const stage = stageOption(options);
  const unitFile = options.values.get('--unit')?.[0];
  const judges = new Map<string, (state: JobState) => Diagnosis>();
  const judgeOf = (unit: UnitDefinition) => {
    const judge = judges.get(unit.id) ?? diagnoser(unit, knowledge);
    judges.set(unit.id, judge);
    return judge;
  };
  const diagnose = (file: string) => {
    const { document, unit } = readCaseOn(file, unitFile);
    return judgeOf(unit)(stateOfCase(stage ? caseUntil(document, stage, STAGES, stageOf) : document));
  };
  const asText = (d: Diagnosis) =>
    options.flags.has('--explain') ? `${summary(d)}${ledgers(d)}` : summary(d);
  if (!existsSync(given) || !statSync(given).isDirectory()) {
    const diagnosis = diagnose(given);
    process.stdout.write(options.flags.has('--json') ? `${JSON.stringify(diagnosis)}\n` : asText(diagnosis));
    return 0;
  }
  const files = readdirSync(given)
    .filter((name) => name.endsWith('.json'))
    .sort();
  if (files.length === 0) throw new CommandError(`There is no case file (.json) in ${given}.`);
  const all = files.map((name): [string, Diagnosis] => [name, diagnose(path.join(given, name))]);
  process.stdout.write(
    options.flags.has('--json')
      ? `${JSON.stringify(Object.fromEntries(all))}\n`
      : all.map(([name, d]) => `${name}\n${asText(d)}`).join('\n'),
  );
  return 0;
}

/** "97.3 %", and at the ends only that it is near them. */
function percent(p: number): string {
  const words = p < 0.005 ? '< 1 %' : p >= 0.995 ? '> 99 %' : `${(p * 100).toFixed(1)} %`;
  return words.padStart(7);
}

function summary(d: Diagnosis): string {
  const checks = d.nextChecks
    .slice(0, 5)
    .map(
      (c) =>
        `  ${c.words} (${c.minutes} min, ${Math.round(c.reach)} min to get there, ${c.gain.toFixed(3)} bit)`,
    );
  return [
    d.undetermined ? 'What failed first is not determined.' : `Determined: ${d.causes[0]!.words}.`,
    ...(d.contradictory
      ? ['What was told and what was found contradict each other:', ...lines(d.contradictions)]
      : []),
    'What lets go:',
    ...d.groups.slice(0, 4).map((g) => `${percent(g.probability)}  ${g.words}`),
    'What failed first:',
    ...d.causes
      .slice(0, 6)
      .map((c) => `${percent(c.probability)}  ${c.words}\n         ${chainWords(c.chain.slice(1))}`),
    'Evidence for and against the first:',
    ...lines(d.causes[0]!.evidence.slice(0, 8)),
    'Next checks:',
    ...checks,
    '',
  ].join('\n');
}

function ledgers(d: Diagnosis): string {
  const ledger = (c: Cause) => [
    `For and against: ${c.words} (first${percent(c.probability)}, there at all${percent(c.present)})`,
    ...lines(c.evidence),
  ];
  return [
    ...d.causes.slice(0, EXPLAINED).flatMap(ledger),
    ...(d.unexplained.length ? ['Not explained by the first:', ...lines(d.unexplained)] : []),
    '',
  ].join('\n');
}

const lines = (evidence: readonly Evidence[]) =>
  evidence.map(
    (e) =>
      `  ${e.weight > 0 ? '+' : ''}${e.weight.toFixed(2)}  ${e.point} ${e.level}${e.caution ? ` (${e.caution})` : ''}`,
  );
