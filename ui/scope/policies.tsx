'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { POLICIES, POLICY_NAMES, policyWords } from '@/core/case';
import type { PolicyName } from '@/core/case';
import { policiesOf } from '@/core/scope';
import { SlotText } from '@/ui/job/fields';
import { useJob } from '@/ui/job/provider';
import { Button, Caption, Choice } from '@/ui/system';

const Rows = styled.dl`
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr);
  gap: 8px 16px;
  align-items: center;
  dt {
    color: var(--ink-soft);
    font-size: 0.9375rem;
  }
  dd {
    display: grid;
    gap: 6px;
  }
  @media (max-width: 600px) {
    grid-template-columns: minmax(0, 1fr);
    gap: 4px;
  }
`;

/** The shop's way, folded to a line; opened, each can be left for this job, with the reason kept. */
export function PolicyRows() {
  const { state, terms, write } = useJob();
  const now = policiesOf(state, terms.policies);
  const left = POLICY_NAMES.filter((name) => now[name] !== terms.policies[name]);
  const [open, setOpen] = useState(false);
  const said = (name: PolicyName) => policyWords(name, now[name]);
  if (!open)
    return (
      <div style={{ display: 'flex', gap: 14, alignItems: 'baseline', flexWrap: 'wrap' }}>
        <span style={{ flex: '1 1 420px' }}>
          {POLICY_NAMES.map(said).join(' · ')}
          {left.length > 0 && (
            <b> ({left.length === 1 ? 'one is' : `${left.length} are`} not the shop’s usual way)</b>
          )}
        </span>
        <Button $kind="quiet" $small onPress={() => setOpen(true)}>
          Change for this job
        </Button>
      </div>
    );
  return (
    <Rows>
      {POLICY_NAMES.map((name) => {
        const { label, choices } = POLICIES[name];
        const options = Object.entries(choices).map(([value, words]) => ({ value, label: words as string }));
        return [
          <dt key={`${name}-label`}>{label}</dt>,
          <dd key={name}>
            <Choice
              label={label}
              value={now[name] as string}
              options={options}
              onChange={(v) => v && write(`scope.policy.${name}`, v === terms.policies[name] ? null : v)}
            />
            {now[name] !== terms.policies[name] && (
              <SlotText slot={`scope.why.${name}`} label="Why not as usual" maxLength={300} />
            )}
          </dd>,
        ];
      })}
      <dt />
      <dd>
        <Caption>What is pressed holds for this job alone. The shop’s own way is the owner’s to set.</Caption>
      </dd>
    </Rows>
  );
}
