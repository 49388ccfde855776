import { catalogueOf, inspectionOf } from '@/core/inspection';
import type { Inspection } from '@/core/inspection';
import type { JobLibrary } from './library';
import { useBench } from './provider';

/** What can be looked at on a unit. */
export const inspectionFor = ({ unit, knowledge }: JobLibrary): Inspection =>
  inspectionOf(unit, catalogueOf(knowledge.inspection));

/** What can be looked at on this job's unit. */
export function useInspection(): Inspection {
  return inspectionFor(useBench());
}
