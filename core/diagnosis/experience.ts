/** A shop's own closed jobs of a unit: how often each cause was the first, where a look at it confirmed that. */
export interface Experience {
  jobs: number;
  causes: Readonly<Record<string, number>>;
}

export const NO_EXPERIENCE: Experience = { jobs: 0, causes: {} };

/** The base rates of the knowledge count as so many jobs. */
export const PRIOR_JOBS = 20;

/**
 * The share of a cause among all first causes, from the knowledge's share and the shop's count: the mean of a Dirichlet
 * distribution that is worth `PRIOR_JOBS` jobs. Shares that sum to 1 still do, as long as every cause counted is among them.
 */
export function shareWith(share: number, cause: string, { jobs, causes }: Experience): number {
  return (PRIOR_JOBS * share + (causes[cause] ?? 0)) / (PRIOR_JOBS + jobs);
}
