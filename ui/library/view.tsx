'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import styled from 'styled-components';
import type { BehaviourTable } from '@/core/suspects';
import type { UnitDefinition, UnitSummary } from '@/core/unit';
import { RequestError, send } from '@/ui/net/request';
import { BenchDetail, BenchTop, usePointed } from '@/ui/powerflow/bench';
import { usePowerflow } from '@/ui/powerflow/use-powerflow';
import {
  Button,
  ButtonLink,
  Dialog,
  Line,
  Link,
  Notice,
  Page,
  PageIndex,
  Section,
  Shortcuts,
  Stack,
} from '@/ui/system';
import { Burning } from './burning';
import { LibraryFrame } from './frame';
import { Labour, Parts } from './parts';
import { Chart, Elements, Gearsets, Limits, Takedown } from './sections';
import { Stacks } from './stacks';
import { WhatIf } from './what-if';

const NO_FAULTS: never[] = [];
const NO_MARKS = {};
/** In the order of the page; what turns stands under the torque. */
const SECTIONS = [
  'Every gear',
  'Torque and speed',
  'Burning order',
  'Application chart',
  'Elements',
  'Stacks',
  'Gearsets',
  'Takedown',
  'Limits',
  'Parts',
  'Labour',
  'Versions',
];
const Facts = styled.p`
  color: var(--ink-soft);
`;

interface Props {
  start: { mayEdit: boolean; unit: UnitDefinition; version: number; versions: UnitSummary[] };
  behaviour: BehaviourTable;
  currency: string;
}

/** A unit as its definition has it, with the powerflow to play with. */
export function UnitView({ start, behaviour, currency }: Props) {
  const { unit, version, versions, mayEdit } = start;
  const flow = usePowerflow(unit, NO_FAULTS);
  const [member, setMember] = usePointed();
  const newest = versions[0]!.version;
  return (
    <LibraryFrame
      title={unit.name}
      aside={unit.layout}
      back={{ href: '/units', words: 'Units' }}
      actions={
        <>
          <ButtonLink $kind="frame" href={`/api/units/${unit.id}?version=${version}`}>
            Export
          </ButtonLink>
          {mayEdit && (
            <ButtonLink $kind="frame" href={`/units/new?from=${unit.id}`}>
              Duplicate
            </ButtonLink>
          )}
          {mayEdit && version === newest && (
            <ButtonLink $kind="main" href={`/units/${unit.id}/edit`}>
              Edit
            </ButtonLink>
          )}
        </>
      }
    >
      <Shortcuts
        list={[
          { key: 'ArrowRight', words: 'Next gear', run: () => flow.step(1) },
          { key: 'ArrowLeft', words: 'Gear before', run: () => flow.step(-1) },
          { key: 'Backspace', words: 'Make it whole again', run: flow.clear },
        ]}
      />
      <Stack $gap={12}>
        {version !== newest && (
          <Notice>
            This is version {version}. Jobs that began with it keep it; new jobs take{' '}
            <Link href={`/units/${unit.id}`}>version {newest}</Link>.
          </Notice>
        )}
        <BenchTop unit={unit} flow={flow} marks={NO_MARKS} member={member} />
        <Page>
          <PageIndex
            titles={unit.elements.some((e) => e.pack) ? SECTIONS : SECTIONS.filter((s) => s !== 'Stacks')}
          />
          <WhatIf unit={unit} flow={flow} behaviour={behaviour} />
          <BenchDetail unit={unit} flow={flow} onPoint={setMember} />
          <Burning unit={unit} />
          <Chart unit={unit} />
          <Elements unit={unit} />
          <Stacks unit={unit} />
          <Gearsets unit={unit} />
          <Takedown unit={unit} />
          <Limits unit={unit} />
          <Parts unit={unit} currency={currency} />
          <Labour unit={unit} />
          <Versions unit={unit} versions={versions} mayEdit={mayEdit} />
        </Page>
      </Stack>
    </LibraryFrame>
  );
}

function Versions({
  unit,
  versions,
  mayEdit,
}: {
  unit: UnitDefinition;
  versions: UnitSummary[];
  mayEdit: boolean;
}) {
  const router = useRouter();
  const [asking, setAsking] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const remove = async () => {
    try {
      await send('DELETE', `/api/units/${unit.id}`);
      router.push('/units');
      router.refresh();
    } catch (error) {
      setProblem(
        error instanceof RequestError
          ? `${error.message} ${error.remedy}`
          : 'No connection to the shop’s server.',
      );
    }
  };
  return (
    <Section title="Versions" note="A job keeps the version it began with.">
      <Stack>
        <ul>
          {versions.map((v) => (
            <li key={v.version}>
              <Link href={`/units/${v.id}?version=${v.version}`}>Version {v.version}</Link>,{' '}
              {v.createdAt.slice(0, 10)} by {v.createdBy}; {v.jobs === 1 ? 'one job' : `${v.jobs} jobs`}
            </li>
          ))}
        </ul>
        <Facts>{unit.description}</Facts>
        {mayEdit && (
          <div>
            <Button $kind="quiet" onPress={() => setAsking(true)}>
              Delete this unit
            </Button>
          </div>
        )}
        <Dialog title={`Delete ${unit.name}?`} isOpen={asking} onClose={() => setAsking(false)}>
          <Stack>
            <p>All its versions go. It is refused while a job uses one of them.</p>
            {problem && (
              <Notice $tone="bad" role="alert">
                {problem}
              </Notice>
            )}
            <Line>
              <Button onPress={() => void remove()}>Delete</Button>
              <Button $kind="quiet" onPress={() => setAsking(false)}>
                Keep it
              </Button>
            </Line>
          </Stack>
        </Dialog>
      </Stack>
    </Section>
  );
}
