'use client';
import { useState } from 'react';
import type { Json, JobState } from '@/core/case';
import type { Inspection, Subject } from '@/core/inspection';
import { soundOf } from '@/ui/inspection/quick';
import { useInspection } from '@/ui/job/use-inspection';
import { useBench, useJob } from '@/ui/job/provider';
import { Button, Line, Shortcuts } from '@/ui/system';

/** Everything of the station nobody has looked at yet is sound: each is recorded by its own name, in one step to undo. */
export function RestSound({ rows }: { rows: readonly Subject[] }) {
  const { state } = useJob();
  const { writeMany } = useBench();
  const inspection = useInspection();
  const [done, setDone] = useState<[string, Json][] | null>(null);
  const rest = restOf(inspection, state, rows);
  const record = () => {
    writeMany(rest);
    setDone(rest);
  };
  return (
    <Line>
      <Button isDisabled={rest.length === 0} onPress={record}>
        Rest of this station sound{rest.length ? ` (${rest.length})` : ''}
      </Button>
      {done && (
        <span role="status">
          Recorded sound: {done.map(([slot]) => inspection.named(slot)!.subject.name).join(', ')}.{' '}
          <Button
            $kind="quiet"
            $small
            onPress={() => {
              writeMany(done.map(([slot]): [string, Json] => [slot, null]));
              setDone(null);
            }}
          >
            Take that back
          </Button>
        </span>
      )}
      <Shortcuts list={[{ key: 'r', words: 'The rest of the station is sound', run: record }]} />
    </Line>
  );
}

function restOf(inspection: Inspection, state: JobState, rows: readonly Subject[]): [string, Json][] {
  const slots = Object.keys(state);
  return rows
    .filter((s) => !slots.some((slot) => slot.startsWith(`${s.slot}.`)))
    .flatMap((s) => soundOf(inspection, s));
}
