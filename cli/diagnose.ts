import { caseUntil, stateOfCase, STAGES } from '@/core/case';
import { chainWords, diagnoser } from '@/core/diagnosis';
import type { Diagnosis } from '@/core/diagnosis';
import { knowledge } from '@/data/knowledge';
import { oneFile, readCaseOn, readOptions, stageOf, stageOption } from './input';

export const help = `
./pelvik diagnose CASE [--unit FILE] [--until STAGE] [--json]

Ranks what failed first in a case file, with chain, evidence and the next checks. --until ignores what was found in
later stages. Exit code: 0 good, 1 the content is wrong, 2 used wrongly.
`;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--json'], ['--unit', '--until']);
  const { document, unit } = readCaseOn(oneFile(options, 'case'), options.values.get('--unit')?.[0]);
  const stage = stageOption(options);
  const state = stateOfCase(stage ? caseUntil(document, stage, STAGES, stageOf) : document);
  const diagnosis = diagnoser(unit, knowledge)(state);
  process.stdout.write(options.flags.has('--json') ? `${JSON.stringify(diagnosis)}\n` : asText(diagnosis));
  return 0;
}

function asText(d: Diagnosis): string {
  const percent = (p: number) => `${(p * 100).toFixed(1)} %`.padStart(7);
  const causes = d.causes
    .slice(0, 6)
    .map((c) => `${percent(c.probability)}  ${c.words}\n         ${chainWords(c.chain.slice(1))}`);
  const evidence = (d.causes[0]?.evidence ?? [])
    .slice(0, 8)
    .map(
      (e) =>
        `  ${e.weight > 0 ? '+' : ''}${e.weight.toFixed(2)}  ${e.point} ${e.level}${e.caution ? ` (${e.caution})` : ''}`,
    );
  const checks = d.nextChecks
    .slice(0, 5)
    .map((c) => `  ${c.words} (${c.minutes} min, ${c.gain.toFixed(3)} bit)`);
  return [
    d.undetermined ? 'What failed first is not determined.' : `Determined: ${d.causes[0]!.words}.`,
    ...causes,
    'Evidence for and against the first:',
    ...evidence,
    'Next checks:',
    ...checks,
    '',
  ].join('\n');
}
