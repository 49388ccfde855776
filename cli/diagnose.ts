import { existsSync, readdirSync, statSync } from 'node:fs';
import path from 'node:path';
import { caseUntil, stateOfCase } from '@/core/case';
import { STAGES } from '@/core/stage';
import type { JobState } from '@/core/case';
import { chainWords, diagnoser } from '@/core/diagnosis';
import type { Cause, Diagnosis, Evidence } from '@/core/diagnosis';
import { factWords } from '@/core/facts';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import type { Inspection } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { knowledge } from '@/data/knowledge';
import { CommandError } from './fail';
import { oneFile, readCaseOn, readOptions, stageOf, stageOption } from './input';

export const help = `
./pelvik diagnose CASE|FOLDER [--unit FILE] [--until STAGE] [--explain] [--json]

Ranks what failed first in a case file, with chain, evidence and the next checks. Given a folder, judges every case file in
it in one process; with --json one object, by file name; what cannot be read is named at the end, and left out. --until
ignores what was found in later stages. --explain prints what every finding says for and against the first causes. Exit
code: 0 good, 1 the content is wrong, 2 used wrongly.
`;

/** Causes whose ledger is printed. */
const EXPLAINED = 3;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--json', '--explain'], ['--unit', '--until']);
  const given = oneFile(options, 'case');
  const stage = stageOption(options);
  const unitFile = options.values.get('--unit')?.[0];
  const judges = new Map<string, { judge: (state: JobState) => Diagnosis; inspection: Inspection }>();
  const judgeOf = (unit: UnitDefinition) => {
    const known = judges.get(unit.id) ?? {
      judge: diagnoser(unit, knowledge),
      inspection: inspectionOf(unit, catalogueOf(knowledge.inspection)),
    };
    judges.set(unit.id, known);
    return known;
  };
  const diagnose = (file: string): Judged => {
    const { document, unit } = readCaseOn(file, unitFile);
    const { judge, inspection } = judgeOf(unit);
    const state = stateOfCase(stage ? caseUntil(document, stage, STAGES, stageOf) : document);
    return { d: judge(state), inspection };
  };
  const asText = (judged: Judged) =>
    options.flags.has('--explain') ? `${summary(judged)}${ledgers(judged)}` : summary(judged);
  if (!existsSync(given) || !statSync(given).isDirectory()) {
    const judged = diagnose(given);
    process.stdout.write(options.flags.has('--json') ? `${JSON.stringify(judged.d)}\n` : asText(judged));
    return 0;
  }
  const files = readdirSync(given)
    .filter((name) => name.endsWith('.json'))
    .sort();
  if (files.length === 0) throw new CommandError(`There is no case file (.json) in ${given}.`);
  const problems: string[] = [];
  const all = files.flatMap((name): [string, Judged][] => {
    try {
      return [[name, diagnose(path.join(given, name))]];
    } catch (error) {
      if (!(error instanceof CommandError)) throw error;
      problems.push(error.message);
      return [];
    }
  });
  process.stdout.write(
    options.flags.has('--json')
      ? `${JSON.stringify(Object.fromEntries(all.map(([name, { d }]) => [name, d])))}\n`
      : all.map(([name, judged]) => `${name}\n${asText(judged)}`).join('\n'),
  );
  if (problems.length) throw new CommandError(problems.join('\n'));
  return 0;
}

interface Judged {
  d: Diagnosis;
  /** What the findings are called in. */
  inspection: Inspection;
}

/** "97.3 %", and at the ends only that it is near them. */
function percent(p: number): string {
  const words = p < 0.005 ? '< 1 %' : p >= 0.995 ? '> 99 %' : `${(p * 100).toFixed(1)} %`;
  return words.padStart(7);
}

function summary({ d, inspection }: Judged): string {
  const checks = d.nextChecks
    .slice(0, 5)
    .map(
      (c) =>
        `  ${c.words} (${c.minutes} min, ${Math.round(c.reach)} min to get there, ${c.gain.toFixed(3)} bit)`,
    );
  return [
    d.undetermined ? 'What failed first is not determined.' : `Determined: ${d.causes[0]!.words}.`,
    ...(d.contradictory
      ? ['What was told and what was found contradict each other:', ...lines(inspection, d.contradictions)]
      : []),
    'What lets go:',
    ...d.groups.slice(0, 4).map((g) => `${percent(g.probability)}  ${g.words}`),
    'What failed first:',
    ...d.causes.slice(0, 6).flatMap((c) => {
      const chain = chainWords(c.chain.slice(1));
      return [`${percent(c.probability)}  ${c.words}`, ...(chain ? [`         ${chain}`] : [])];
    }),
    'Evidence for and against the first:',
    ...lines(inspection, d.causes[0]!.evidence.slice(0, 8)),
    'Next checks:',
    ...checks,
    '',
  ].join('\n');
}

function ledgers({ d, inspection }: Judged): string {
  const ledger = (c: Cause) => [
    `For and against: ${c.words} (first${percent(c.probability)}, there at all${percent(c.present)})`,
    ...lines(inspection, c.evidence),
  ];
  return [
    ...d.causes.slice(0, EXPLAINED).flatMap(ledger),
    ...(d.unexplained.length ? ['Not explained by the first:', ...lines(inspection, d.unexplained)] : []),
    '',
  ].join('\n');
}

const lines = (inspection: Inspection, evidence: readonly Evidence[]) =>
  evidence.map(
    (e) =>
      `  ${e.weight > 0 ? '+' : ''}${e.weight.toFixed(2)}  ${factWords(inspection, e)}${e.caution ? ` (${e.caution})` : ''}`,
  );
