/** Random choices from a seed: the same seed tells the same story. */
export interface Dice {
  /** A whole number from 0 to below `n`. */
  below(n: number): number;
  chance(p: number): boolean;
  pick<T>(list: readonly T[]): T;
}

/** The 32-bit mixing generator known as mulberry32: small, and good enough to shuffle trials. */
export function dice(seed: number): Dice {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), state | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
  };
  return {
    below: (n) => Math.floor(next() * n),
    chance: (p) => next() < p,
    pick: (list) => list[Math.floor(next() * list.length)]!,
  };
}

/** One of a list, each as likely as its weight. */
export function weighted<T>(list: readonly (readonly [T, number])[], dice: Dice): T {
  const total = list.reduce((sum, [, w]) => sum + w, 0);
  let left = (dice.below(1e9) / 1e9) * total;
  for (const [item, w] of list) if ((left -= w) < 0) return item;
  return list.at(-1)![0];
}
