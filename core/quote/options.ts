import type { Ready } from '@/core/schedule';
import { readyBy } from '@/core/schedule';
import { isBought } from '@/core/scope';
import type { Repair, Scope, Scoper } from '@/core/scope';
import { midSentence, operationWithRole, partsWithRole } from '@/core/unit';
import { formatMoney, times } from '@/core/shop';
import { includedIn } from './included';
import { nameOf } from './names';
import { billOf, costOfLines } from './price';
import { expectedReturnCost, riskOf } from './risk';
import type { QuoteInput } from './quote';
import { warrantyOf, warrantyWords } from './warranty';
import type { QuoteOption } from './schema';

/** What takes its time by the clock once the work is done. */
const WAITS: Record<string, { words: string; hours: number }> = {
  'converter-open': { words: 'the converter’s lining has cured and cooled', hours: 14 },
};

/** Prices one repair. */
export function optionOf(input: QuoteInput, scoper: Scoper, repair: Repair): QuoteOption {
  const { unit, terms, state, diagnosis, discount, commit } = input;
  const scope = scoper.scope(repair);
  const bill = billOf(scope.lines, terms, repair === 'none' ? null : discount);
  const risk = riskOf(scoper, scope, diagnosis, commit, terms);
  const hoursLeft = hoursLeftIn(scope, input.apart);
  const ready = repair === 'none' ? null : readyOf(input, scope, hoursLeft);
  const warrantyTerms = warrantyOf(scope, terms, unit.converter.part);
  const cost = costOfLines(unit, scope.lines, terms);
  const promised = input.promised;
  return {
    id: repair === 'none' ? 'no-repair' : repair,
    name: nameOf(repair),
    summary: repair === 'none' ? leftWords(input) : summaryOf(scope),
    ...bill,
    warranty: warrantyWords(warrantyTerms, input.terms.distance),
    warrantyTerms,
    readyBy: ready?.at.slice(0, 10) ?? null,
    ready,
    late: ready !== null && promised !== null && ready.at.slice(0, 10) > promised,
    shareOfValue: shareOf(state, bill.total),
    missRisk: risk.uncured,
    risk,
    included: repair === 'none' ? [] : includedIn(unit, scope),
    problems: scope.problems.filter((p) => p.waiver === null),
    inner: {
      cost,
      margin: bill.taxable - cost,
      expectedReturn: repair === 'none' ? 0 : expectedReturnCost(risk, bill),
      hoursLeft,
    },
  };
}

function hoursLeftIn({ lines }: Scope, apart: boolean): number {
  return lines
    .filter((l) => l.kind === 'labour')
    .reduce((sum, l) => sum + l.hours * l.quantity * (apart ? 1 - l.before : 1), 0);
}

function readyOf({ unit, terms, clock }: QuoteInput, scope: Scope, hours: number): Ready {
  const parts = scope.lines
    .filter((l) => l.kind === 'part' && isBought(l.action) && !l.inKit)
    .map((l) => ({ name: l.name, days: l.leadDays }));
  const waits = scope.lines.flatMap((l) => {
    const role = unit.labour.find((o) => o.id === l.of)?.role;
    return (role && WAITS[role]) || [];
  });
  return readyBy(terms.calendar, terms.capacity, clock.decideBy, {
    hours,
    queueHours: clock.queueHours,
    parts,
    waits,
  });
}

const NAMED = 4;

/** What is renewed, the cause first, then what the evidence condemns, then what is renewed by custom. */
function summaryOf(scope: Scope): string {
  if (scope.repair === 'exchange')
    return 'The unit is replaced by one overhauled elsewhere, with another converter; yours goes back for its deposit';
  const weight = (rules: string[], firm: boolean) => (rules.includes('cause') ? 0 : firm ? 1 : 2);
  const renewed = scope.lines
    .filter((l) => l.kind === 'part' && isBought(l.action))
    .map((l) => ({
      l,
      w: weight(
        l.reasons.map((r) => r.rule),
        l.reasons.some((r) => r.firm),
      ),
    }))
    .filter(({ l, w }) => !l.inKit || w < 2)
    .sort((a, b) => a.w - b.w)
    .map(({ l }) => midSentence(l.name));
  const opening =
    scope.repair === 'targeted'
      ? 'What failed and what it harmed is repaired'
      : 'Every lining, seal, gasket and bushing is renewed and every clearance set';
  if (renewed.length === 0) return opening;
  const more = renewed.length > NAMED ? ` and ${renewed.length - NAMED} more` : '';
  return `${opening}. Renewed${scope.repair === 'targeted' ? '' : ', among others'}: ${renewed.slice(0, NAMED).join(', ')}${scope.repair === 'targeted' ? more : ''}`;
}

/** What it means to leave it. */
function leftWords({ unit, terms, bare, apart }: QuoteInput): string {
  if (bare) return apart ? 'The unit goes back in boxes, as it came apart' : 'The unit goes back as it came';
  if (!apart) return 'The vehicle goes back as it came';
  const refit = operationWithRole(unit, 'remove-refit');
  const together = operationWithRole(unit, 'targeted');
  const again =
    times(terms.rates.vehicle, (refit?.hours ?? 0) * (1 - (refit?.before ?? 0))) +
    times(terms.rates.bench, together?.hours ?? 0);
  return `The unit is handed back apart and the vehicle does not drive: it has to be towed. Putting it together unrepaired and refitting it would cost about ${formatMoney(again, terms.currency)} more, before tax`;
}

function shareOf(state: QuoteInput['state'], total: number): number | null {
  const value = state['vehicle.value']?.value as number | undefined;
  return value && !state['vehicle.bare']?.value ? total / value : null;
}

/** An exchange unit is offered where one is sold. */
export const canExchange = ({ unit }: Pick<QuoteInput, 'unit'>) =>
  partsWithRole(unit, 'exchange-unit').length > 0;
