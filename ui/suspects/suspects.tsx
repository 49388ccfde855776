'use client';
import { useMemo, useState } from 'react';
import { valueOf } from '@/core/case';
import type { Finding } from '@/core/case';
import { reportsOf } from '@/core/roadtest';
import { useJob, useReasoning } from '@/ui/job/provider';
import { BenchDetail, BenchTop, usePointed } from '@/ui/powerflow/bench';
import { OutcomeRows } from '@/ui/powerflow/outcomes';
import { Ranking } from '@/ui/powerflow/ranking';
import { usePowerflow } from '@/ui/powerflow/use-powerflow';
import { useInspection } from '@/ui/job/use-inspection';
import { marksOf } from '@/ui/section';
import type { DeviceMark } from '@/ui/section';
import { Caution, Notice, Page, Section, Stack } from '@/ui/system';
import { Noise } from './noise';
import { PathLists } from './paths';

const NO_FAULTS: never[] = [];

/** What the drive showed, where that puts a question to all that follows. */
const OUTCOMES: Record<string, string> = {
  works: 'On the drive everything worked as it should: there is nothing to take apart.',
  'not-reproduced':
    'The complaint was not reproduced. Drive it again under the conditions it was told with, before the unit is opened.',
};

const FILL_THE_GRID =
  'Fill the complaint grid at Intake: with the first reported gear the suspects stand here.';
const NONE_FITS = 'No single fault or pair of faults matches the complaint.';

/** Before a bolt is turned: what faults would look like this complaint, and where to look first. */
export function Suspects() {
  const { unit, state, knowledge } = useJob();
  const inspection = useInspection();
  const reasoning = useReasoning();
  const [chosen, setChosen] = useState<string | null>(null);
  const [member, setMember] = usePointed();
  const suspects = (reasoning.suspects ?? []).filter((s, k) => k < 3 || s.probability >= 0.005);
  const suspect = suspects.find((s) => s.id === chosen) ?? suspects[0];
  const flow = usePowerflow(unit, suspect?.faults ?? NO_FAULTS);
  const drive = (valueOf(state, 'unit.checks.outcome') as Finding | undefined)?.is;
  const outcome = OUTCOMES[String(drive)];
  const complaints = useMemo(() => reportsOf(unit, state), [unit, state]);
  const marks = useMemo(() => {
    const result: Record<string, DeviceMark> = Object.fromEntries(
      Object.entries(marksOf(inspection, state)).map(([id, m]) => [id, { ...m, out: false }]),
    );
    for (const fault of suspect?.faults ?? [])
      if ('element' in fault) result[fault.element] = { ...result[fault.element], suspect: true };
    return result;
  }, [inspection, state, suspect]);
  return (
    <Stack $gap={12}>
      {outcome && <Notice $tone={outcome === OUTCOMES.works ? 'good' : 'warn'}>{outcome}</Notice>}
      <BenchTop unit={unit} flow={flow} marks={marks} suspected={suspect?.name} member={member} />
      <Page>
        <Section
          title="Which faults would look like this"
          note="All single faults and plausible pairs, computed from the gearsets and fitted to the complaint grid alone."
        >
          {suspects.length === 0 ? (
            <p>
              {complaints.length === 0 ? FILL_THE_GRID : reasoning.suspects ? NONE_FITS : 'Working it out …'}
            </p>
          ) : (
            <Ranking
              suspects={suspects}
              chosen={flow.tried ? null : (suspect?.id ?? null)}
              onChoose={(s) => {
                setChosen(s.id);
                flow.clear();
              }}
            />
          )}
        </Section>
        <Noise unit={unit} complaints={complaints} />
        <Section
          title="Told and computed"
          note={suspect && !flow.tried ? suspect.name : 'With the faults tried above.'}
        >
          <Stack $gap={14}>
            {suspect?.predictions.some((p) => p.kind === 'moves') && (
              <Caution>
                It may drive in Neutral or Park: chock it, nobody in front or behind. Slope test only with
                chocks and a spotter.
              </Caution>
            )}
            <OutcomeRows
              unit={unit}
              faults={flow.faults}
              gear={flow.gear}
              complaints={complaints}
              table={knowledge.behaviour}
            />
          </Stack>
        </Section>
        {suspect && (suspect.feed.length > 0 || suspect.power.length > 0) && (
          <Section
            title="Look at first"
            note="What feeds and what carries the suspected element, the weak points on top."
          >
            <PathLists feed={suspect.feed} power={suspect.power} />
          </Section>
        )}
        <BenchDetail unit={unit} flow={flow} onPoint={setMember} />
      </Page>
    </Stack>
  );
}
