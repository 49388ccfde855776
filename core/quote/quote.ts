import type { JobState } from '@/core/case';
import { valueOf, vehicleName } from '@/core/case';
import type { Diagnosis } from '@/core/diagnosis';
import { buildScope } from '@/core/scope';
import type { Policies, Scope, ScopeBasis, ScopeCause, ScopeLine } from '@/core/scope';
import { midSentence, operationWithRole, partsWithRole, stationOfRole } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { addDays, addWorkingDays } from './dates';
import { sum, times } from './money';
import { cautionsFor } from './words';

/** What a shop charges and promises: `data/prices/shop.json`. Rates are shares, money minor units. */
export interface ShopTerms {
  format: 'pelvik-shop/1';
  name: string;
  address: string;
  phone: string;
  currency: string;
  labourPerHour: number;
  fluidPerLitre: number;
  suppliesRate: number;
  suppliesCap: number;
  taxRate: number;
  benchHoursPerDay: number;
  quoteValidDays: number;
  inspectionFee: number;
  policies: Policies;
  warranty: Record<'targeted' | 'full', { months: number; km: number; words: string }>;
}

export type QuoteLine = {
  name: string;
  kind: 'part' | 'labour' | 'outside';
  action: string;
  quantity: number;
  /** Unit price (parts) or hours × rate (labour), minor units. */
  price: number;
  total: number;
  note: string;
  reason: string;
};

export type QuoteOption = {
  id: 'targeted' | 'full' | 'no-repair';
  name: string;
  summary: string;
  lines: QuoteLine[];
  parts: number;
  labour: number;
  fluid: number;
  supplies: number;
  taxable: number;
  tax: number;
  /** Returned when the old part goes back; not taxed. */
  coreDeposits: number;
  total: number;
  warranty: string;
  readyBy: string | null;
  /** Total ÷ vehicle value; null for a bare unit or an unknown value. */
  shareOfValue: number | null;
  /** P(what failed first is not covered by these lines). */
  missRisk: number;
};

export type QuoteContent = {
  format: 'pelvik-quote/1';
  shop: { name: string; address: string; phone: string };
  currency: string;
  taxRate: number;
  date: string;
  validUntil: string;
  job: { number: number; unit: string; vehicle: string; customer: string; complaint: string };
  /** What can hurt somebody until it is repaired; absent where nothing can. */
  cautions?: string[];
  finding: string;
  undetermined: boolean;
  couldChange: string[];
  photos: { id: string; caption: string }[];
  options: QuoteOption[];
};

export interface QuoteInput extends ScopeBasis {
  unit: UnitDefinition;
  terms: ShopTerms;
  state: JobState;
  diagnosis: Diagnosis;
  cause: ScopeCause | null;
  /** Today, YYYY-MM-DD. */
  today: string;
  jobNumber: number;
  finding: string;
  couldChange: string[];
  photos: { id: string; caption: string }[];
}

const OPTION_NAMES = { targeted: 'Targeted repair', full: 'Full overhaul' } as const;

/** Prices every option side by side: targeted, full and leaving it unrepaired. Money never leaves whole minor units. */
export function buildQuote(input: QuoteInput): QuoteContent {
  const { unit, terms, state, today } = input;
  const converter = valueOf(state, 'scope.policy.converter') ?? terms.policies.converter;
  const priced = (['targeted', 'full'] as const).map((overhaul) => {
    const scope = buildScope(unit, input, state, { overhaul, converter }, input.cause);
    return priceOption(input, overhaul, scope);
  });
  const cautions = cautionsFor(state);
  return {
    format: 'pelvik-quote/1',
    shop: { name: terms.name, address: terms.address, phone: terms.phone },
    currency: terms.currency,
    taxRate: terms.taxRate,
    date: today,
    validUntil: addDays(today, terms.quoteValidDays),
    job: {
      number: input.jobNumber,
      unit: unit.name,
      vehicle: vehicleName(state),
      customer: valueOf(state, 'customer.name') ?? '',
      complaint: valueOf(state, 'complaint.words') ?? '',
    },
    ...(cautions.length ? { cautions } : {}),
    finding: input.finding,
    undetermined: input.diagnosis.undetermined,
    couldChange: input.couldChange,
    photos: input.photos,
    options: [...priced, noRepair(input)],
  };
}

function priceOption(input: QuoteInput, id: 'targeted' | 'full', scope: Scope): QuoteOption {
  const { unit, terms, state, today } = input;
  const lines = scope.lines.map((line) => quoteLine(line, terms));
  const parts = sum(lines.filter((l) => l.kind === 'part').map((l) => l.total));
  const labour = sum(lines.filter((l) => l.kind === 'labour').map((l) => l.total));
  const fluid = times(terms.fluidPerLitre, unit.fluidLitres);
  const supplies = Math.min(times(parts + labour, terms.suppliesRate), terms.suppliesCap);
  const taxable = parts + labour + fluid + supplies;
  const tax = times(taxable, terms.taxRate);
  const coreDeposits = sum(scope.lines.map((l) => l.coreDeposit * l.quantity));
  const total = taxable + tax + coreDeposits;
  const hours = scope.lines.reduce((h, l) => h + l.hours * l.quantity, 0);
  const lead = Math.max(0, ...scope.lines.map((l) => (l.inKit ? 0 : l.leadDays)));
  return {
    id,
    name: OPTION_NAMES[id],
    summary: summaryOf(scope),
    lines,
    parts,
    labour,
    fluid,
    supplies,
    taxable,
    tax,
    coreDeposits,
    total,
    warranty: terms.warranty[id].words,
    readyBy: addWorkingDays(today, lead + Math.ceil(hours / terms.benchHoursPerDay)),
    shareOfValue: shareOf(state, total),
    missRisk: missRisk(unit, input.diagnosis, scope),
  };
}

/** What one of a line costs the customer, minor units: nothing where the kit holds it or the shop bears it. */
export function linePrice(line: ScopeLine, terms: ShopTerms): number {
  if (line.inKit || line.onTheShop) return 0;
  return line.kind === 'labour' ? times(terms.labourPerHour, line.hours) : line.price;
}

function quoteLine(line: ScopeLine, terms: ShopTerms): QuoteLine {
  const price = linePrice(line, terms);
  return {
    name: line.name,
    kind: line.kind,
    action: line.action,
    quantity: line.quantity,
    price,
    total: price * line.quantity,
    note: line.onTheShop
      ? 'on the shop'
      : line.inKit
        ? 'in the kit'
        : line.kind === 'labour'
          ? `${line.hours} h`
          : '',
    reason: line.reasons.map((r) => r.words).join('; '),
  };
}

const NAMED = 4;

/** What is renewed, the cause first, then what the evidence condemns, then what is renewed by custom. */
function summaryOf(scope: Scope): string {
  const weight = (line: ScopeLine) =>
    line.reasons.some((r) => r.rule === 'cause-part') ? 0 : line.reasons.some((r) => r.firm) ? 1 : 2;
  const renewed = scope.lines
    .filter((l) => l.kind === 'part' && l.action === 'replace' && !l.inKit)
    .sort((a, b) => weight(a) - weight(b))
    .map((l) => midSentence(l.name));
  if (renewed.length === 0) return 'Nothing is renewed';
  const more = renewed.length > NAMED ? ` and ${renewed.length - NAMED} more` : '';
  return `Renewed: ${renewed.slice(0, NAMED).join(', ')}${more}`;
}

function noRepair(input: QuoteInput): QuoteOption {
  const { terms, state } = input;
  const fee = terms.inspectionFee;
  const tax = times(fee, terms.taxRate);
  const line: QuoteLine = {
    name: 'Inspection done so far; the unit is handed back as it is',
    kind: 'labour',
    action: 'inspect',
    quantity: 1,
    price: fee,
    total: fee,
    note: '',
    reason: 'Repair can cost more than it is worth',
  };
  return {
    id: 'no-repair',
    name: 'Do not repair',
    summary: 'The vehicle or unit goes back unrepaired',
    lines: [line],
    parts: 0,
    labour: fee,
    fluid: 0,
    supplies: 0,
    taxable: fee,
    tax,
    coreDeposits: 0,
    total: fee + tax,
    warranty: 'None',
    readyBy: null,
    shareOfValue: shareOf(state, fee + tax),
    missRisk: 1,
  };
}

function shareOf(state: JobState, total: number): number | null {
  const value = valueOf(state, 'vehicle.value');
  return value && !valueOf(state, 'vehicle.bare') ? total / value : null;
}

/** Probability mass of the causes whose part the scope does not renew: what the repair could miss. */
function missRisk(unit: UnitDefinition, diagnosis: Diagnosis, scope: Scope): number {
  const renewed = new Set(
    scope.lines
      .filter((l) => l.action === 'replace' || l.action === 'upgrade')
      .map((l) => l.key.replace(/^part-/, '')),
  );
  if (partsWithRole(unit, 'overhaul-kit').some((p) => renewed.has(p.id)))
    unit.parts.filter((p) => p.kit === 'overhaul').forEach((p) => renewed.add(p.id));
  const operations = new Set(scope.lines.filter((l) => l.kind === 'labour').map((l) => l.key));
  const covered = (cause: Diagnosis['causes'][number]) => {
    const part = cause.part ? unit.parts.find((p) => p.id === cause.part) : undefined;
    if (part && renewed.has(part.id)) return true;
    if (part?.failure === 'sticking' && part.station === stationOfRole(unit, 'regulator'))
      return operations.has(`labour-${operationWithRole(unit, 'valve-body')?.id}`);
    if (cause.part) return false;
    const linings = unit.elements.find((e) => e.id === cause.element)?.liningParts ?? [];
    if (linings.length) return linings.every((id) => renewed.has(id));
    return cause.id === 'fluid-low';
  };
  return diagnosis.causes.reduce((risk, cause) => (covered(cause) ? risk : risk + cause.probability), 0);
}
