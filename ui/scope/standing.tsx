'use client';
import { dayWords } from '@/core/shop';
import { changesSince, madeOf } from '@/core/scope';
import type { MadeScope, Scope } from '@/core/scope';
import { useJob } from '@/ui/job/provider';
import { Button, Caption, drawnLater } from '@/ui/system';

/** Comes with the first change since somebody stood by a scope. */
const ChangeList = drawnLater(() => import('./change-list').then((m) => m.ChangeList));

/** What the record has changed since somebody stood by the scope, where it has. */
export function Changes({ scope }: { scope: Scope }) {
  const { unit, state } = useJob();
  const kept = state[`scope.made.${scope.repair}`];
  const changes = changesSince(unit, state, scope);
  if (!kept || changes.length === 0) return null;
  const made = kept.value as unknown as MadeScope;
  return <ChangeList scope={scope} made={made} since={sinceWords(kept)} changes={changes} />;
}

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
