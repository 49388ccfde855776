import { stateOfCase } from '@/core/case';
import { diagnoser } from '@/core/diagnosis';
import { buildQuote, couldChange, findingWords, standingCauses } from '@/core/quote';
import { asPriced, currentTerms, formatMoney } from '@/core/shop';
import { answerBy } from '@/core/schedule';
import { buildScope, policiesOf } from '@/core/scope';
import { knowledge, rules } from '@/data/knowledge';
import shop from '@/data/prices/shop.json';
import { CommandError } from './fail';
import { oneFile, readCaseOn, readOptions } from './input';

export const help = `
./pelvik quote CASE [--unit FILE] [--date YYYY-MM-DD] [--json]

Prints the scope of a case with a reason for every line, and the total of every option. --date is the day of the
quote, today by default. Exit code: 0 good, 1 the content is wrong, 2 used wrongly.
`;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, ['--json'], ['--unit', '--date']);
  const { document, unit } = readCaseOn(oneFile(options, 'case'), options.values.get('--unit')?.[0]);
  const date = options.values.get('--date')?.[0] ?? new Date().toISOString().slice(0, 10);
  if (!/^\d{4}-\d{2}-\d{2}$/.test(date) || Number.isNaN(Date.parse(date)))
    throw new CommandError('--date takes YYYY-MM-DD.', 2);
  const terms = currentTerms(shop);
  const state = stateOfCase(document);
  const diagnosis = diagnoser(unit, knowledge)(state);
  const causes = standingCauses(state, diagnosis);
  const policies = policiesOf(state, terms.policies);
  const scope = buildScope(asPriced(unit, terms), { rules, knowledge }, { state, policies, causes });
  const now = `${date}T08:00`;
  const quote = buildQuote({
    unit,
    rules,
    knowledge,
    terms,
    state,
    diagnosis,
    causes,
    clock: { now, decideBy: answerBy(terms.calendar, now), queueHours: 0 },
    jobNumber: 0,
    finding: findingWords(unit, state, diagnosis),
    couldChange: couldChange(diagnosis),
    photos: [],
  });
  if (options.flags.has('--json')) {
    process.stdout.write(
      `${JSON.stringify({ cause: causes[0]?.id ?? null, finding: quote.finding, scope, recommended: quote.recommended, options: quote.options, barred: quote.barred, currency: quote.currency })}\n`,
    );
    return 0;
  }
  const money = (amount: number) => formatMoney(amount, quote.currency);
  const lines = scope.lines.map(
    (l) =>
      `  ${(l.kind === 'labour' ? 'work' : l.action).padEnd(8)} ${l.name} × ${l.quantity}: ${l.reasons.map((r) => r.words).join('; ')}`,
  );
  const totals = quote.options.map(
    (o) =>
      `  ${(o.id === quote.recommended?.option ? '* ' : '  ') + o.name.padEnd(22)} ${money(o.total).padStart(12)}  ready ${o.readyBy ?? '–'}  ${o.warranty}`,
  );
  process.stdout.write(
    [
      quote.finding,
      'Scope',
      ...lines,
      ...scope.warnings.map((w) => `  ! ${w}`),
      'Options',
      ...totals,
      ...quote.barred.map((b) => `  No ${b.name.toLowerCase()}: ${b.reason}`),
      quote.recommended ? `* ${quote.recommended.why}` : '* Nothing is recommended before the unit is apart.',
      '',
    ].join('\n'),
  );
  return 0;
}
