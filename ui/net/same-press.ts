/** A finger that presses twice has done so within this time, ms. */
const NERVOUS = 1000;

interface Asked {
  what: string;
  answer: Promise<unknown>;
}

/** What was last asked of each address. */
const last = new Map<string, Asked>();

/**
 * Asks once where the very same was just asked of an address, is on its way, or has been answered within the second, and
 * nothing else of that address since: a second press is the first one. What failed is asked again.
 */
export function once<T>(address: string, what: string, ask: () => Promise<T>): Promise<T> {
  const before = last.get(address);
  if (before?.what === what) return before.answer as Promise<T>;
  const answer = ask();
  const asked: Asked = { what, answer };
  last.set(address, asked);
  const forget = () => {
    if (last.get(address) === asked) last.delete(address);
  };
  const since = Date.now();
  answer.then(() => setTimeout(forget, Math.max(0, since + NERVOUS - Date.now())), forget);
  return answer;
}

/** For a button that means something else once its work is done: it rests until the second press is over. */
export const pressOver = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, NERVOUS));
