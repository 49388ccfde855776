/** One measured figure with its budget. */
export interface Figure {
  name: string;
  value: number;
  unit: 'ms' | 'kB' | 'count' | 'times' | 'share';
  budget: number;
  of: string;
}

export function median(runs: number, work: () => unknown): number {
  for (let k = 0; k < 5; k++) work();
  const times = Array.from({ length: runs }, () => {
    const started = performance.now();
    work();
    return performance.now() - started;
  });
  return quantile(times, 0.5);
}

export function quantile(values: number[], q: number): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.min(sorted.length - 1, Math.ceil(q * sorted.length) - 1)]!;
}
