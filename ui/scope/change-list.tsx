'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { leftAsItWas, madeOf, withTaken } from '@/core/scope';
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

/** What of a scope the record has changed since somebody stood by it: each to be taken, or left with a reason. */
export function ChangeList(props: { scope: Scope; made: MadeScope; since: string; changes: ScopeChange[] }) {
  const { scope, changes } = props;
  const { write } = useJob();
  const [leaving, setLeaving] = useState<ScopeChange | null>(null);
  const slot = `scope.made.${scope.repair}`;
  return (
    <Since aria-label="Changed since">
      <header>
        <b>
          {changes.length === 1 ? 'One line has' : `${changes.length} lines have`} changed since {props.since}
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
              <Button $small onPress={() => write(slot, withTaken(props.made, change))}>
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
