import { summaryOf, valueOf } from '@/core/case';
import { compareRecords, responsibilityOf } from '@/core/comebacks';
import type { Comeback } from '@/core/comebacks';
import type { Diagnosis } from '@/core/diagnosis';
import { factsOf } from '@/core/facts';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { standingCauses } from '@/core/quote';
import { buildScope, isBought, policiesOf } from '@/core/scope';
import type { Policies } from '@/core/case';
import type { Client } from './db';
import { diagnoseJob } from './experience';
import { committedCause } from './found';
import { jobByNumber } from './jobs';
import type { Job } from './jobs';
import { knowledge, rules } from './library';
import { notFound } from './problem';
import { shopOf } from './shop';

/** A job beside the one it comes back from. Throws a UserError 404 when there is no such job, or none it comes back from. */
export async function comebackOf(client: Client, number: number): Promise<Comeback> {
  const now = await jobByNumber(client, number);
  const earlier = valueOf(now.state, 'history.comeback');
  if (earlier === undefined || earlier === number) throw notFound('earlier job');
  const then = await jobByNumber(client, earlier);
  const { vehicle } = summaryOf(then.state);
  const diagnosed = await diagnoseJob(client, then);
  const { terms } = await shopOf(client);
  const parts = renewedIn(then, diagnosed, policiesOf(then.state, terms.policies));
  const same = then.unit.id === now.unit.id;
  const [kmThen, kmNow] = [then, now].map(({ state }) => valueOf(state, 'vehicle.odometerKm'));
  return {
    earlier: {
      number: earlier,
      vehicle,
      cause: committedCause(then.state, diagnosed),
      closed: then.closed,
    },
    kmSince: kmThen === undefined || kmNow === undefined || kmNow < kmThen ? null : kmNow - kmThen,
    otherUnit: same ? null : then.unit.name,
    renewed: parts.map((p) => p.name),
    rows: same
      ? compareRecords(
          inspectionOf(now.unit, catalogueOf(knowledge.inspection)),
          knowledge,
          then.state,
          now.state,
        )
      : [],
    responsibility: same
      ? responsibilityOf((await diagnoseJob(client, now)).causes, {
          cause: valueOf(then.state, 'cause.commit')?.cause ?? null,
          renewed: new Set(parts.map((p) => p.id)),
          facts: factsOf(then.unit, then.state, knowledge),
        })
      : [],
  };
}

/** Parts the scope of a job renews: by themselves, or with the overhaul kit. */
function renewedIn(
  { unit, state }: Job,
  diagnosed: Diagnosis,
  policies: Policies,
): { id: string; name: string }[] {
  const { lines } = buildScope(
    unit,
    { rules, knowledge },
    { state, policies, causes: standingCauses(state, diagnosed) },
  );
  const renewed = new Set(lines.filter((l) => l.kind === 'part' && isBought(l.action)).map((l) => l.key));
  return unit.parts.filter((p) => renewed.has(`part-${p.id}`)).map(({ id, name }) => ({ id, name }));
}
