'use client';
import type { Scope } from '@/core/scope';
import { useJob } from '@/ui/job/provider';
import { Button, Line, Stack } from '@/ui/system';

/** What a person took out of the scope, with the reason, to be put back. */
export function RemovedLines({ scope }: { scope: Scope }) {
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
