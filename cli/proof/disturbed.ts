import type { EffectStrength, Knowledge } from '@/core/diagnosis';
import type { Dice } from '../dice';

/** No strength is disturbed beyond this. */
const MOST = 0.99;

/** The knowledge with every strength, leak and likelihood off by up to `by` of itself: a trade that is not quite as believed. */
export function disturbed(knowledge: Knowledge, by: number, dice: Dice): Knowledge {
  const off = (p: number) => Math.min(MOST, p * (1 - by + (2 * by * dice.below(1e6)) / 1e6));
  const strengths = (effects: Record<string, EffectStrength>) =>
    Object.fromEntries(
      Object.entries(effects).map(([k, v]) => [k, typeof v === 'number' && v < 1 ? off(v) : v]),
    );
  const { causal } = knowledge;
  const shows = <T extends { shows?: { with: number }[] }>(x: T): T =>
    x.shows ? { ...x, shows: x.shows.map((s) => ({ ...s, with: off(s.with) })) } : x;
  return {
    ...knowledge,
    causal: {
      ...causal,
      mechanisms: causal.mechanisms.map((m) =>
        shows({ ...m, leak: off(m.leak), parents: strengths(m.parents) }),
      ),
      roots: causal.roots.map((r) =>
        shows({ ...r, prior: r.prior * (off(0.5) / 0.5), effects: strengths(r.effects) }),
      ),
      observations: causal.observations.map((o) => {
        const rows = Object.entries(o.levels).map(
          ([l, [a, p]]) => [l, [off(a), off(p)]] as [string, [number, number]],
        );
        const sums = [0, 1].map((k) => rows.reduce((s, [, r]) => s + r[k]!, 0));
        const was = [0, 1].map((k) => Object.values(o.levels).reduce((s, r) => s + r[k]!, 0));
        // A full set of answers stays one.
        const scale = sums.map((s, k) => (was[k]! > 0.98 ? 1 / s : 1));
        return {
          ...o,
          levels: Object.fromEntries(rows.map(([l, [a, p]]) => [l, [a * scale[0]!, p * scale[1]!]])),
        };
      }),
    },
  };
}
