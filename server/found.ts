import { summaryOf, valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import type { Diagnosis } from '@/core/diagnosis';
import { catalogueOf, inspectionOf, wrongFindings } from '@/core/inspection';
import type { FoundInJob } from '@/core/inspection';
import { inspection } from '@/data/inspection';
import type { Client } from './db';
import { diagnoseJob } from './experience';
import { jobByNumber } from './jobs';

/** Throws a UserError 404 when there is no such job. */
export async function foundInJob(client: Client, number: number): Promise<FoundInJob> {
  const job = await jobByNumber(client, number);
  const { unit, state, closed } = job;
  const { customer, vehicle, complaint } = summaryOf(state);
  return {
    number,
    unit: { id: unit.id, name: unit.name },
    customer,
    vehicle,
    complaint,
    closed,
    cause: valueOf(state, 'cause.commit') ? committedCause(state, await diagnoseJob(client, job)) : null,
    wrong: wrongFindings(inspectionOf(unit, catalogueOf(inspection)), state),
  };
}

/** What a job was committed to, in words; null when nobody has. */
export function committedCause(state: JobState, { causes }: Diagnosis): string | null {
  const commit = valueOf(state, 'cause.commit');
  if (!commit) return null;
  return causes.find((c) => c.id === commit.cause)?.words ?? 'Not determined';
}
