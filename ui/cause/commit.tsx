'use client';
import { useState } from 'react';
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { Cause } from '@/core/diagnosis';
import type { CauseCommit } from '@/core/quote';
import { useBench, useReasoning } from '@/ui/job/provider';
import { Button, FieldLabel, forgetTyping, Line, Notice, Stack, TextInput } from '@/ui/system';

const Others = styled(ToggleButtonGroup)`
  display: grid;
  gap: 4px;
`;
const Other = styled(ToggleButton)`
  display: grid;
  grid-template-columns: 24px minmax(0, 1fr);
  gap: 10px;
  align-items: center;
  min-height: 44px;
  padding: 4px 8px;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: transparent;
  color: var(--ink);
  text-align: left;
  cursor: pointer;
  &::before {
    content: '';
    width: 22px;
    height: 22px;
    border: 2px solid var(--rule-strong);
    border-radius: 3px;
  }
  &[data-selected]::before {
    border-color: var(--accent);
    background: var(--accent);
    box-shadow: inset 0 0 0 4px var(--sheet);
  }
`;

/** The evidence has moved on: another cause leads, or one stands out where none did. */
function outOfDate(commit: CauseCommit, leader: Cause, undetermined: boolean): boolean {
  return commit.cause === 'not-determined' ? !undetermined : commit.cause !== leader.id;
}

/** The technician commits what failed first, what contributed, or that it is not determined, with the reason. */
export function Commit({ cause, commit }: { cause: Cause; commit: CauseCommit | undefined }) {
  const { write, user, keepName } = useBench();
  const { causes, undetermined } = useReasoning().reasoning!.diagnosis;
  const mine = commit?.cause === cause.id ? commit : undefined;
  const [reason, setReason] = useState(mine?.reason ?? '');
  const [contributing, setContributing] = useState<string[]>(mine?.contributing ?? []);
  const keep = keepName(`commit ${cause.id}`);
  const nameOf = (id: string) => causes.find((c) => c.id === id)?.words ?? id;
  const differs = cause.id !== causes[0]!.id || undetermined;
  const committed = commit && (commit.cause === 'not-determined' ? 'Not determined' : nameOf(commit.cause));
  if (user.role === 'counter')
    return <p>{committed ? `Committed: ${committed}.` : 'The technician commits the cause.'}</p>;
  const send = (id: string) => {
    write('cause.commit', { cause: id, contributing, reason: reason.trim() });
    forgetTyping(keep);
  };
  return (
    <Stack>
      {commit && (
        <Notice $tone="good">
          Committed: {committed}
          {commit.contributing?.length ? `; contributing: ${commit.contributing.map(nameOf).join('; ')}` : ''}
          {commit.reason ? `. ${commit.reason}` : ''}
        </Notice>
      )}
      {commit && outOfDate(commit, causes[0]!, undetermined) && (
        <Notice>
          The findings now put “{causes[0]!.words}” first. What was committed may be out of date.
        </Notice>
      )}
      <Stack $gap={2}>
        <FieldLabel as="span">What contributed, if anything did</FieldLabel>
        <Others
          aria-label="Contributing causes"
          selectionMode="multiple"
          selectedKeys={contributing}
          onSelectionChange={(keys) => setContributing([...keys].map(String))}
        >
          {causes
            .filter((c) => c.id !== cause.id && c.id !== 'other' && c.id !== 'nothing')
            .slice(0, 5)
            .map((c) => (
              <Other key={c.id} id={c.id}>
                {c.words}
              </Other>
            ))}
        </Others>
      </Stack>
      <TextInput
        label={differs ? 'Reason (needed: it differs from the ranking, or nothing is determined)' : 'Reason'}
        lines={2}
        keep={keep}
        value={reason}
        onChange={setReason}
        maxLength={2000}
      />
      <Line>
        <Button $kind="main" isDisabled={differs && !reason.trim()} onPress={() => send(cause.id)}>
          Commit: {cause.words}
        </Button>
        <Button isDisabled={!reason.trim()} onPress={() => send('not-determined')}>
          Not determined
        </Button>
        {commit && (
          <Button $kind="quiet" onPress={() => write('cause.commit', null)}>
            Take back
          </Button>
        )}
      </Line>
    </Stack>
  );
}
