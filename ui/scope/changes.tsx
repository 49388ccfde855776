'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { dayWords } from '@/core/shop';
import { changesSince, leftAsItWas, madeOf, withTaken } from '@/core/scope';
import type { MadeScope, Scope, ScopeChange } from '@/core/scope';
import { useJob } from '@/ui/job/provider';
import { Button, Caption, Line, drawnLater } from '@/ui/system';
import { Told } from './reasons';

/** Comes with the first reason that is asked for. */
const ReasonDialog = drawnLater(() => import('./reason-dialog').then((m) => m.ReasonDialog));

const Since = styled.section`
  border: 1.5px solid var(--accent);
  > header {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    justify-content: space-between;
    gap: 6px 14px;
    padding: 8px 12px;
    background: var(--accent-wash);
  }
  li {
    display: grid;
    grid-template-columns: 28px minmax(0, 1fr) auto;
    gap: 4px 10px;
    align-items: center;
    padding: 6px 12px;
    border-top: 1px solid var(--rule);
  }
  i {
    font-style: normal;
    font-size: 1.25rem;
    font-weight: 650;
    text-align: center;
  }
  @media (max-width: 600px) {
    li > :last-child {
      grid-column: 2;
    }
  }
`;

/** A person stands by the scope as it is, or it is said who did, and when. */
export function Standing({ scope }: { scope: Scope }) {
  const { unit, state, write, user } = useJob();
  const kept = state[`scope.made.${scope.repair}`];
  if (!kept || kept.value === null)
    return (
      <>
        <Button onPress={() => write(`scope.made.${scope.repair}`, madeOf(scope))}>
          Stand by this scope as {user.name}
        </Button>
        <Caption as="span">What the evidence changes afterwards is then shown, to be taken or left.</Caption>
      </>
    );
  if (changesSince(unit, state, scope).length > 0) return null;
  return <Caption as="span">Nothing has changed it since {sinceWords(kept)}.</Caption>;
}

const sinceWords = ({ at, by }: { at: string; by: string }) =>
  `${dayWords(at, true)}, when ${by} stood by it`;

/** What of a scope the record has changed since somebody stood by it: each to be taken, or left with a reason. */
export function Changes({ scope }: { scope: Scope }) {
  const { unit, state, write } = useJob();
  const [leaving, setLeaving] = useState<ScopeChange | null>(null);
  const slot = `scope.made.${scope.repair}`;
  const kept = state[slot];
  const changes = changesSince(unit, state, scope);
  if (!kept || changes.length === 0) return null;
  return (
    <Since aria-label="Changed since">
      <header>
        <b>
          {changes.length === 1 ? 'One line has' : `${changes.length} lines have`} changed since{' '}
          {sinceWords(kept)}
        </b>
        {changes.length > 1 && (
          <Button $small onPress={() => write(slot, madeOf(scope))}>
            Take all
          </Button>
        )}
      </header>
      <ul>
        {changes.map((change) => (
          <li key={change.key} data-change={change.key}>
            <i aria-hidden>{change.before === null ? '+' : change.now === null ? '−' : '±'}</i>
            <div>
              {wordsOf(change)}
              <Why change={change} />
            </div>
            <Line $gap={6}>
              <Button
                $small
                onPress={() => write(slot, withTaken(kept.value as unknown as MadeScope, change))}
              >
                Take
              </Button>
              <Button $small $kind="quiet" onPress={() => setLeaving(change)}>
                Leave
              </Button>
            </Line>
          </li>
        ))}
      </ul>
      {leaving && <Leave change={leaving} onClose={() => setLeaving(null)} />}
    </Since>
  );
}

function wordsOf({ name, before, now }: ScopeChange): string {
  if (before === null) return `${name}: ${now}, which was not in it`;
  if (now === null) return `${name}: nothing asks any more to ${before} it`;
  return `${name}: ${now} instead of ${before}`;
}

/** The reason that came up, with the finding it rests on. */
function Why({ change }: { change: ScopeChange }) {
  const reason = change.line?.reasons.find((r) => r.rule !== 'technician' && r.action === change.now);
  return (
    reason && (
      <Caption as="div">
        <Told reason={reason} />
      </Caption>
    )
  );
}

function Leave({ change, onClose }: { change: ScopeChange; onClose: () => void }) {
  const { unit, write } = useJob();
  return (
    <ReasonDialog
      title={`Leave as it was: ${change.name}`}
      words={`${wordsOf(change)}.`}
      label="Reason (kept on record)"
      field={`leave ${change.key}`}
      action="Leave it so"
      onGive={(reason) => write(`scope.line.${change.key}`, leftAsItWas(unit, change, reason))}
      onClose={onClose}
    />
  );
}
