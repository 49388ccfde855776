import type { JobState } from '@/core/case';
import { below, valueOf, vehicleName } from '@/core/case';
import type { Diagnosis } from '@/core/diagnosis';
import type { Moment } from '@/core/schedule';
import { addDays } from '@/core/schedule';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { isApart, isByCustom, policiesOf, REPAIRS, scoper } from '@/core/scope';
import type { Scope, ScopeBasis, ScopeCause } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import { evidenceOf } from './evidence';
import { nameOf } from './names';
import { canExchange, optionOf } from './options';
import type { Discount } from './price';
import { recommend } from './recommend';
import type { Commit } from './risk';
import { asPriced } from '@/core/shop';
import type { ShopTerms } from '@/core/shop';
import { cautionsFor } from './words';
import type { QuoteContent } from './schema';

/** When a quote is made, in the shop's own time. */
export interface Clock {
  now: Moment;
  /** The customer's yes is assumed by then. */
  decideBy: Moment;
  /** Hours of work promised to others, all benches together. */
  queueHours: number;
}

export interface QuoteInput extends ScopeBasis {
  unit: UnitDefinition;
  terms: ShopTerms;
  state: JobState;
  diagnosis: Diagnosis;
  /** What the scope is built on, what failed first at the head. */
  causes: readonly ScopeCause[];
  commit: Commit | null;
  clock: Clock;
  jobNumber: number;
  finding: string;
  couldChange: string[];
  photos: { id: string; caption: string }[];
  discount: Discount | null;
  note: string;
  promised: string | null;
  /** No vehicle: a unit alone. */
  bare: boolean;
  /** The unit is apart. */
  apart: boolean;
}

/** What a quote is asked for; the rest of its input stands in the record. */
export type QuoteRequest = Omit<QuoteInput, 'commit' | 'discount' | 'note' | 'promised' | 'bare' | 'apart'>;

/** Prices every option side by side. Money never leaves whole minor units. */
export function buildQuote(request: QuoteRequest): QuoteContent {
  const { terms, state } = request;
  const input: QuoteInput = {
    ...request,
    unit: asPriced(request.unit, terms),
    commit: valueOf(state, 'cause.commit') ?? null,
    discount: valueOf(state, 'quote.discount') ?? null,
    note: valueOf(state, 'quote.note') ?? '',
    promised: valueOf(state, 'job.promised') ?? null,
    bare: valueOf(state, 'vehicle.bare') ?? false,
    apart: isApart(state),
  };
  const { unit } = input;
  const policies = policiesOf(state, terms.policies);
  const scopes = scoper(unit, input, { state, policies, causes: input.causes });
  const asked = scopes.open.filter((o) => o.repair !== 'exchange' || canExchange(input));
  const offered = REPAIRS.filter((r) => asked.some((o) => o.repair === r && o.barred === null));
  const options = offered.map((repair) => optionOf(input, scopes, repair));
  const today = input.clock.now.slice(0, 10);
  const cautions = cautionsFor(state);
  const clips = below(state, 'clip.').map(([id, clip]) => ({ id, caption: clip.caption }));
  return {
    format: 'pelvik-quote/2',
    shop: { name: terms.name, address: terms.address, phone: terms.phone, letterhead: terms.letterhead },
    currency: terms.currency,
    paper: terms.paper,
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
    undetermined: input.diagnosis.undetermined && input.commit === null,
    evidence: evidenceOf(inspectionOf(request.unit, catalogueOf(input.knowledge.inspection)), state),
    couldChange: input.couldChange,
    note: input.note,
    photos: input.photos,
    ...(clips.length ? { clips } : {}),
    recommended: recommend(options, asked, {
      undetermined: input.diagnosis.undetermined && input.commit === null,
      targetedFirst: policies.overhaul === 'targeted',
      apart: input.apart,
      called: isCalledFor(scopes.scope('targeted')),
    }),
    options,
    barred: asked
      .filter((o) => o.barred !== null && o.repair === 'targeted')
      .map((o) => ({ name: nameOf(o.repair), reason: o.barred! })),
    supplement: null,
  };
}

function isCalledFor({ lines, removed }: Scope): boolean {
  return [...lines, ...removed].some(
    (l) =>
      (l.kind === 'part' || l.kind === 'outside') &&
      l.action !== 'clean' &&
      l.reasons.some((r) => !isByCustom(r) && r.rule !== 'technician'),
  );
}
