import { catalogueOf, inspectionOf } from '@/core/inspection';
import type { Inspection } from '@/core/inspection';
import { useBench } from '@/ui/job/provider';

/** What can be looked at on this job's unit. */
export function useInspection(): Inspection {
  const { unit, knowledge } = useBench();
  return inspectionOf(unit, catalogueOf(knowledge.inspection));
}
