/** What somebody says of a failure: probabilities of causes; what is missing to 1 is said of none. */
export type Answer = ReadonlyMap<string, number>;

/** One bin of a reliability table: what was said, and how often it was so. */
interface Bin {
  said: number;
  so: number;
  count: number;
}

export interface Score {
  stories: number;
  /** Shares of stories in which the first cause was named first, and among the first three; ties count in part. */
  top1: number;
  top3: number;
  /** The same for what lets go, over all its reasons. */
  family: number;
  /** Mean Σ (p − o)² over the causes: 0 is perfect, 2 is sure of the wrong one. */
  brier: number;
  /** Mean distance of said and so, weighted by count, over the bins of the leading cause. */
  calibration: number;
  reliability: Bin[];
}

const BINS = 10;

/** Adds answers up. */
export function scoring() {
  const sums = { stories: 0, top1: 0, top3: 0, family: 0, brier: 0 };
  const bins = Array.from({ length: BINS }, () => ({ said: 0, so: 0, count: 0 }));
  return {
    /**
     * `family` tells what a cause belongs to. Whoever only names what failed, without a probability, stands by it as
     * certain: by what he names first, and by one of several he cannot tell apart.
     */
    add(answer: Answer, truth: string, family: (cause: string) => string, names = false): void {
      sums.stories++;
      const most = Math.max(0, ...answer.values());
      const right = share(answer, truth, 1);
      sums.top1 += right;
      sums.top3 += share(answer, truth, 3);
      const families = new Map<string, number>();
      for (const [id, p] of answer) families.set(family(id), (families.get(family(id)) ?? 0) + p);
      sums.family += share(families, family(truth), 1);
      sums.brier += !names ? brier(answer, truth) : answer.size ? 2 * (1 - right) : 1;
      const bin = bins[Math.min(BINS - 1, Math.floor(most * BINS))]!;
      bin.said += most;
      bin.so += right;
      bin.count++;
    },
    score(): Score {
      const n = Math.max(1, sums.stories);
      const reliability = bins
        .filter((b) => b.count)
        .map(({ said, so, count }) => ({ said: said / count, so: so / count, count }));
      return {
        stories: sums.stories,
        top1: sums.top1 / n,
        top3: sums.top3 / n,
        family: sums.family / n,
        brier: sums.brier / n,
        calibration: reliability.reduce((sum, b) => sum + (Math.abs(b.said - b.so) * b.count) / n, 0),
        reliability,
      };
    },
  };
}

/** Σ (p − o)² over the causes, those nobody named included. */
function brier(answer: Answer, truth: string): number {
  const squares = [...answer].reduce((sum, [id, p]) => sum + (p - (id === truth ? 1 : 0)) ** 2, 0);
  return squares + (answer.has(truth) ? 0 : 1);
}

/** How far the truth is among the first so many; where several are said alike, in part. */
function share(answer: ReadonlyMap<string, number>, truth: string, places: number): number {
  const own = answer.get(truth);
  if (own === undefined || own <= 0) return 0;
  const above = [...answer.values()].filter((p) => p > own + 1e-12).length;
  const alike = [...answer.values()].filter((p) => Math.abs(p - own) <= 1e-12).length;
  return Math.min(1, Math.max(0, (places - above) / alike));
}
