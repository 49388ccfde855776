'use client';
import { useState } from 'react';
import type { Behaviour, Complaint } from '@/core/case';
import { healthyTable, predict } from '@/core/suspects';
import type { BehaviourTable, Prediction, Suspect } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';
import { OutcomeRows } from '@/ui/powerflow/outcomes';
import { Ranking } from '@/ui/powerflow/ranking';
import type { Powerflow } from '@/ui/powerflow/use-powerflow';
import { Button, Caption, Notice, Section, Stack } from '@/ui/system';
import { WorkerClient } from '@/ui/worker/client';
import type { RankingApi } from '@/workers/ranking.worker';

/** How long a ranking may take, ms. */
const LIMIT = 30_000;
const spawn = () =>
  new Worker(new URL('../../workers/ranking.worker.ts', import.meta.url), { type: 'module' });

/** How a driver would put each kind of outcome. */
const TOLD: Record<Prediction['kind'], Behaviour> = {
  normal: 'normal',
  neutral: 'no-drive',
  lower: 'wrong-gear',
  higher: 'wrong-gear',
  'tie-up': 'binds',
  slip: 'slips',
  moves: 'moves',
  'no-braking': 'no-engine-braking',
  shudder: 'shudder',
  late: 'delayed',
  stall: 'stalls-at-stops',
  'wind-up': 'binds-in-turns',
};

/** What every gear does with the faults tried, and which other faults a driver could not tell from them. */
export function WhatIf({
  unit,
  flow,
  behaviour,
}: {
  unit: UnitDefinition;
  flow: Powerflow;
  behaviour: BehaviourTable;
}) {
  const [answer, setAnswer] = useState<{ for: Powerflow['faults']; suspects: Suspect[] } | null>(null);
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const ask = async () => {
    setAsking(true);
    setProblem(null);
    const client = new WorkerClient<RankingApi>(spawn);
    try {
      const complaints = complaintOf(unit, flow.faults);
      const suspects = await client.call((ranker) => ranker.rank(unit, behaviour, complaints), LIMIT);
      setAnswer({ for: flow.faults, suspects });
    } catch (error) {
      setProblem(error instanceof Error ? error.message : String(error));
    } finally {
      client.end();
      setAsking(false);
    }
  };
  const shown = answer?.for === flow.faults ? answer.suspects : null;
  return (
    <>
      <Section title="Every gear" note="As built, and with the faults tried in the drawing above.">
        <OutcomeRows unit={unit} faults={flow.faults} gear={flow.gear} />
      </Section>
      <Section
        title="Who else looks like this"
        note="All single faults and plausible pairs, fitted to what a driver would tell of these faults."
      >
        <Stack>
          {flow.faults.length === 0 ? (
            <Caption>Touch an element in the drawing to make it lost, stuck or slipping.</Caption>
          ) : (
            <div>
              <Button onPress={() => void ask()} isDisabled={asking}>
                Which faults would look like this?
              </Button>
            </div>
          )}
          {problem && (
            <Notice $tone="bad" role="alert">
              The ranking did not come about: {problem} Press again to try anew.
            </Notice>
          )}
          {shown && (
            <Ranking
              suspects={shown}
              chosen={null}
              onChoose={(s) => {
                flow.clear();
                s.faults.forEach(flow.set);
              }}
            />
          )}
        </Stack>
      </Section>
    </>
  );
}

function complaintOf(unit: UnitDefinition, faults: Powerflow['faults']): Complaint[] {
  return predict(unit, healthyTable(unit), faults).map((p) => ({
    gear: p.gear,
    speaker: 'customer' as const,
    heat: 'any' as const,
    slot: `grid.${p.gear}.customer`,
    cell: {
      behaviours: [TOLD[p.kind]],
      ...(p.actsLike && TOLD[p.kind] === 'wrong-gear' ? { actsLike: p.actsLike } : {}),
    },
  }));
}
