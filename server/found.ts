import { summaryOf, valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import { catalogueOf, inspectionOf, wrongFindings } from '@/core/inspection';
import type { FoundInJob } from '@/core/inspection';
import type { UnitDefinition } from '@/core/unit';
import { inspection } from '@/data/inspection';
import type { Client } from './db';
import { jobByNumber } from './jobs';
import { diagnoseState } from './reason';

/** Throws a UserError 404 when there is no such job. */
export async function foundInJob(client: Client, number: number): Promise<FoundInJob> {
  const { unit, state, closed } = await jobByNumber(client, number);
  const { customer, vehicle, complaint } = summaryOf(state);
  return {
    number,
    unit: { id: unit.id, name: unit.name },
    customer,
    vehicle,
    complaint,
    closed,
    cause: causeOf(unit, state),
    wrong: wrongFindings(inspectionOf(unit, catalogueOf(inspection)), state),
  };
}

function causeOf(unit: UnitDefinition, state: JobState): string | null {
  const commit = valueOf(state, 'cause.commit');
  if (!commit) return null;
  const named = diagnoseState(unit, state).causes.find((c) => c.id === commit.cause);
  return named?.words ?? 'Not determined';
}
