import { valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { causeRanker, whole } from './diagnose';
import type { Diagnosis, Ranked } from './diagnose';
import { NO_EXPERIENCE } from './experience';
import type { Experience } from './experience';
import type { Knowledge } from './knowledge';

/** As `shopRanker`, in one step. */
export function shopDiagnoser(
  unit: UnitDefinition,
  knowledge: Knowledge,
  experience: Experience,
  largest?: number,
): (state: JobState) => Diagnosis {
  const rank = shopRanker(unit, knowledge, experience, largest);
  return (state) => whole(rank(state));
}

/** Judges with the shop's experience, or by the knowledge alone where the job says so. Each model is compiled when it is first needed. */
export function shopRanker(
  unit: UnitDefinition,
  knowledge: Knowledge,
  experience: Experience,
  largest?: number,
): (state: JobState) => Ranked {
  const models = new Map<boolean, (state: JobState) => Ranked>();
  return (state) => {
    const counts = experience.jobs > 0 && valueOf(state, 'cause.experience') !== 'off';
    let rank = models.get(counts);
    if (!rank) {
      rank = causeRanker(unit, knowledge, counts ? experience : NO_EXPERIENCE, largest);
      models.set(counts, rank);
    }
    return rank(state);
  };
}

/** True when what a job was committed to was itself looked at and found so: worth counting once the job is closed. */
export function isConfirmed(state: JobState, { causes }: Diagnosis): boolean {
  const commit = valueOf(state, 'cause.commit');
  const cause = causes.find((c) => c.id === commit?.cause);
  return (cause?.chain[0]?.slots.length ?? 0) > 0;
}
