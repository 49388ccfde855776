'use client';
import { useMemo, useState } from 'react';
import { standingCause } from '@/core/quote';
import { buildScope, policiesOf } from '@/core/scope';
import type { Scope } from '@/core/scope';
import { SlotChoice } from '@/ui/job/fields';
import { useJob, useReasoning } from '@/ui/job/provider';
import { Button, Caption, Choice, Line, Notice, Page, Section, Stack } from '@/ui/system';
import { EditDialog } from './edit-dialog';
import type { Edit } from './edit-dialog';
import { ScopeTable } from './table';

/** For every part: what is done with it, and why. Rules fill it; the technician has the last word. */
export function ScopeStage() {
  const { unit, rules, knowledge, terms, state } = useJob();
  const { reasoning } = useReasoning();
  const [edit, setEdit] = useState<Edit | null>(null);
  const diagnosis = reasoning?.diagnosis;
  const cause = useMemo(() => (diagnosis ? standingCause(state, diagnosis) : null), [state, diagnosis]);
  const policies = policiesOf(state, terms.policies);
  const scope = useMemo(
    () => buildScope(unit, { rules, knowledge }, state, policiesOf(state, terms.policies), cause),
    [unit, rules, knowledge, state, terms, cause],
  );
  return (
    <>
      <Page>
        <Section title="Policies" note="The shop’s way, changed for this job where it should be.">
          <Line $gap={28}>
            <SlotPolicy
              slot="scope.policy.overhaul"
              label="When it is apart"
              shop={policies.overhaul}
              options={[
                { value: 'targeted', label: 'Targeted' },
                { value: 'full', label: 'Full overhaul' },
              ]}
            />
            <SlotPolicy
              slot="scope.policy.converter"
              label="Converter"
              shop={policies.converter}
              options={[
                { value: 'on-evidence', label: 'On evidence' },
                { value: 'always', label: 'Always replace' },
              ]}
            />
          </Line>
        </Section>
        <Section
          wide
          title="Lines"
          note={
            cause
              ? `Built on: ${cause.words}.`
              : 'No first cause is determined: the lines stand on findings and policy alone.'
          }
        >
          <Stack $gap={10}>
            {scope.warnings.map((w) => (
              <Notice key={w}>{w}</Notice>
            ))}
            <ScopeTable scope={scope} onEdit={setEdit} />
            <div>
              <Button onPress={() => setEdit({ line: null, change: 'add' })}>Add a line</Button>
            </div>
          </Stack>
        </Section>
        {scope.removed.length > 0 && (
          <Section title="Taken out">
            <RemovedLines scope={scope} />
          </Section>
        )}
      </Page>
      {edit && <EditDialog edit={edit} onClose={() => setEdit(null)} />}
    </>
  );
}

function SlotPolicy<T extends string>(props: {
  slot: string;
  label: string;
  shop: T;
  options: { value: T; label: string }[];
}) {
  const { state, write } = useJob();
  if (state[props.slot]) return <SlotChoice slot={props.slot} label={props.label} options={props.options} />;
  return (
    <Stack $gap={4}>
      <Caption as="span">{props.label} (as the shop does)</Caption>
      <Choice
        label={props.label}
        value={props.shop}
        options={props.options}
        onChange={(v) => v && write(props.slot, v)}
      />
    </Stack>
  );
}

function RemovedLines({ scope }: { scope: Scope }) {
  const { write } = useJob();
  return (
    <Stack $gap={6}>
      {scope.removed.map((line) => (
        <Line key={line.key}>
          <span>
            <s>{line.name}</s>: {line.reasons.at(-1)!.words}
          </span>
          <Button $kind="quiet" $small onPress={() => write(`scope.line.${line.key}`, null)}>
            Put back
          </Button>
        </Line>
      ))}
    </Stack>
  );
}
