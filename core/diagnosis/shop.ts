import { valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import type { UnitDefinition } from '@/core/unit';
import { diagnoser } from './diagnose';
import type { Diagnosis } from './diagnose';
import { NO_EXPERIENCE } from './experience';
import type { Experience } from './experience';
import type { Knowledge } from './knowledge';

/** Judges with the shop's experience, or by the knowledge alone where the job says so. Each model is compiled when it is first needed. */
export function shopDiagnoser(
  unit: UnitDefinition,
  knowledge: Knowledge,
  experience: Experience,
  largest?: number,
): (state: JobState) => Diagnosis {
  const models = new Map<boolean, (state: JobState) => Diagnosis>();
  return (state) => {
    const counts = experience.jobs > 0 && valueOf(state, 'cause.experience') !== 'off';
    let diagnose = models.get(counts);
    if (!diagnose) {
      diagnose = diagnoser(unit, knowledge, counts ? experience : NO_EXPERIENCE, largest);
      models.set(counts, diagnose);
    }
    return diagnose(state);
  };
}

/** True when what a job was committed to was itself looked at and found so: worth counting once the job is closed. */
export function isConfirmed(state: JobState, { causes }: Diagnosis): boolean {
  const commit = valueOf(state, 'cause.commit');
  const cause = causes.find((c) => c.id === commit?.cause);
  return (cause?.chain[0]?.slots.length ?? 0) > 0;
}
