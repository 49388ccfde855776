import type { Scoper } from '@/core/scope';
import { midSentence } from '@/core/unit';
import type { OptionId, QuoteOption, Recommendation } from './schema';

/** What a recommendation goes by, besides the options. */
export interface Standing {
  undetermined: boolean;
  /** The shop repairs what failed where the evidence allows it. */
  targetedFirst: boolean;
  apart: boolean;
  /** Something found, or a cause, asks for more than is renewed by custom. */
  called: boolean;
}

/** Beyond this share of the vehicle's value a whole overhaul of it is hard to recommend for doubt alone. */
const HALF_ITS_WORTH = 0.5;

/**
 * The option the shop recommends: none where the cheapest costs more than the vehicle is worth; the upgrade where something
 * calls for it; the repair of what failed where the evidence allows it and the shop works so; else the overhaul. Null while
 * nothing is apart and nothing certain.
 */
export function recommend(
  options: readonly QuoteOption[],
  open: Scoper['open'],
  { undetermined, targetedFirst, apart, called }: Standing,
): Recommendation | null {
  const by = (id: OptionId) => options.find((o) => o.id === id);
  const repairs = options.filter((o) => o.id !== 'no-repair');
  const cheapest = repairs.reduce((a, b) => (b.total < a.total ? b : a));
  if (cheapest.shareOfValue !== null && cheapest.shareOfValue > 1)
    return {
      option: 'no-repair',
      why: `Even the cheapest repair costs more than the vehicle is worth.`,
    };
  // Before anything is apart a doubt is a reason to look, not to overhaul.
  if (undetermined && !apart) return null;
  if (apart && !called)
    return { option: 'no-repair', why: 'Nothing that was found inside calls for a repair.' };
  const upgrade = open.find((o) => o.repair === 'upgrade');
  if (by('upgrade') && upgrade?.reason)
    return {
      option: 'upgrade',
      why: `The same repair would meet the same load again: ${midSentence(upgrade.reason)}.`,
    };
  const targeted = by('targeted');
  const full = by('full')!;
  if (!targeted) {
    const barred = open.find((o) => o.repair === 'targeted')?.barred;
    return { option: 'full', why: barred ?? 'Everything inside is renewed and set.' };
  }
  const dear = full.shareOfValue !== null && full.shareOfValue > HALF_ITS_WORTH;
  if (undetermined && !dear)
    return {
      option: 'full',
      why: 'What failed first is not certain: the overhaul renews what the doubt is about.',
    };
  if (targetedFirst || dear)
    return {
      option: 'targeted',
      why:
        dear && !targetedFirst
          ? 'The fault is local, and an overhaul would cost more than half of what the vehicle is worth.'
          : apart
            ? 'What failed is known and local: what is sound stays in.'
            : 'What it does points to one place; what is sound stays in, if the inside agrees.',
    };
  return {
    option: 'full',
    why: 'Once it is apart everything that wears is renewed: that is how this shop works.',
  };
}
