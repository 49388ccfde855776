'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { midSentence } from '@/core/unit';
import { billOf, nameOf, standingCauses } from '@/core/quote';
import { asPriced, formatMoney } from '@/core/shop';
import { policiesOf, scoperKnowing } from '@/core/scope';
import type { AddedFriction, Repair, Scope } from '@/core/scope';
import { useJob, useReasoning } from '@/ui/job/provider';
import { isDonor } from '@/core/case';
import { UnitSection } from '@/ui/section';
import { Button, Caption, Line, Page, Section, Stack, drawnLater } from '@/ui/system';
import type { Edit } from './edit-dialog';
import { scopeMarks } from './marks';
import { PolicyRows } from './policies';
import { Problems } from './problems';
import { SourcesFold } from './sources-fold';
import { Changes, Standing } from './standing';
import { ScopeTable } from './table';

/** Comes with the first line that is changed: most looks at a scope change none. */
const EditDialog = drawnLater(() => import('./edit-dialog').then((m) => m.EditDialog));

const DonorShelf = drawnLater(() => import('./donor').then((m) => m.DonorShelf));

const RemovedLines = drawnLater(() => import('./removed-lines').then((m) => m.RemovedLines));

const AddedFrictions = drawnLater(() => import('./added-frictions').then((m) => m.AddedFrictions));

const Repairs = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(150px, 1fr));
  background: var(--frame);
  color: var(--frame-ink);
  button {
    display: grid;
    gap: 2px;
    align-content: start;
    min-height: 64px;
    padding: 10px 14px 8px;
    border: 0;
    border-right: 1px solid var(--frame-rule);
    border-bottom: 5px solid transparent;
    background: none;
    color: inherit;
    font: inherit;
    text-align: left;
    cursor: pointer;
  }
  button[aria-pressed='true'] {
    background: var(--frame-raised);
    border-bottom-color: #7fa2f5;
  }
  button:disabled {
    color: var(--frame-soft);
    cursor: default;
  }
  b {
    font-weight: 650;
    font-stretch: 104%;
  }
  span {
    font-size: 1.25rem;
    font-weight: 650;
  }
  small {
    font-stretch: 90%;
    color: var(--frame-soft);
  }
`;

/** Until the worker has answered once. */
const UNKNOWN: AddedFriction[] = [];

/** For every part: what is done with it, and why. Rules fill it; the technician has the last word. */
export function ScopeStage() {
  const { unit, rules, knowledge, terms, state } = useJob();
  const { reasoning, frictions: added } = useReasoning();
  const [edit, setEdit] = useState<Edit | null>(null);
  const [picked, setPicked] = useState<Repair | null>(null);
  const diagnosis = reasoning?.diagnosis;
  const frictions = added ?? UNKNOWN;
  const causes = useMemo(() => (diagnosis ? standingCauses(state, diagnosis) : []), [state, diagnosis]);
  const priced = useMemo(() => asPriced(unit, terms), [unit, terms]);
  const scopes = useMemo(
    () =>
      scoperKnowing(
        frictions,
        priced,
        { rules, knowledge },
        { state, policies: policiesOf(state, terms.policies), causes },
      ),
    [frictions, priced, rules, knowledge, state, terms, causes],
  );
  const offered = scopes.open.filter(
    (o) => o.repair !== 'none' && (o.barred === null || o.repair === 'targeted'),
  );
  const isOpen = offered.some((o) => o.repair === picked && o.barred === null);
  const repair = picked && isOpen ? picked : scopes.usual;
  const scope = useMemo(() => scopes.scope(repair), [scopes, repair]);
  const marks = useMemo(() => scopeMarks(unit, scope), [unit, scope]);
  const [cause] = causes;
  return (
    <>
      <Repairs role="group" aria-label="What the scope is for">
        {offered.map((o) => (
          <RepairButton
            key={o.repair}
            repair={o.repair}
            barred={o.barred}
            chosen={o.repair === repair}
            total={o.barred === null ? billOf(scopes.scope(o.repair).lines, terms, null).total : null}
            usual={o.repair === scopes.usual}
            onChoose={() => setPicked(o.repair)}
          />
        ))}
      </Repairs>
      <UnitSection unit={unit} marks={marks} />
      <Legend scope={scope} />
      <Page>
        <Section
          wide
          title={nameOf(repair)}
          note={
            cause
              ? `Built on: ${midSentence(cause.words)}.`
              : 'No first cause is determined: the lines stand on findings and policy alone.'
          }
        >
          <Stack $gap={12}>
            <Changes scope={scope} />
            <Problems problems={scope.problems} />
            <ScopeTable scope={scope} onEdit={setEdit} />
            <Line>
              <Button onPress={() => setEdit({ line: null, change: 'add' })}>Add a line</Button>
              <Standing scope={scope} />
            </Line>
          </Stack>
        </Section>
        {scope.removed.length > 0 && (
          <Section title="Taken out">
            <RemovedLines scope={scope} />
          </Section>
        )}
        {isDonor(state) && <DonorShelf scope={scopes.scope('full')} />}
        <SourcesFold scope={scope} />
        <Section title="The shop’s way" note="Where builders differ.">
          <PolicyRows />
        </Section>
        {frictions.length > 0 && <AddedFrictions stock={frictions} />}
      </Page>
      {edit && <EditDialog edit={edit} onClose={() => setEdit(null)} />}
    </>
  );
}

function RepairButton(props: {
  repair: Repair;
  barred: string | null;
  chosen: boolean;
  usual: boolean;
  total: number | null;
  onChoose: () => void;
}) {
  const { terms } = useJob();
  return (
    <button
      type="button"
      aria-pressed={props.chosen}
      disabled={props.barred !== null}
      onClick={props.onChoose}
      data-repair={props.repair}
    >
      <b>{nameOf(props.repair)}</b>
      {props.total !== null && <span>{formatMoney(props.total, terms.currency)}</span>}
      <small>{props.barred ?? (props.usual ? 'as the evidence and this shop’s way ask' : ' ')}</small>
    </button>
  );
}

const SPREAD_WORDS: Record<string, string> = { metal: 'Metal', fibre: 'Fibre', water: 'Water' };

/** What the marks of the drawing mean, and what went through the unit. */
function Legend({ scope }: { scope: Scope }) {
  return (
    <Line $gap={18}>
      <Caption as="span">⊕ renewed</Caption>
      <Caption as="span">▢ cleaned, measured or worked on</Caption>
      {scope.spread.map(({ kind, seenIn }) => (
        <Caption as="span" key={kind}>
          ⁙ {SPREAD_WORDS[kind] ?? kind} went through the unit
          {seenIn.length > 0 && `, seen in ${seenIn.join(', ')}`}
        </Caption>
      ))}
    </Line>
  );
}
