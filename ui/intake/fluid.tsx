'use client';
import { PointItem } from '@/ui/inspection/point';
import { useInspection } from '@/ui/inspection/use-inspection';
import { SlotChoice } from '@/ui/job/fields';
import { useSlot } from '@/ui/job/provider';
import { Notice, Stack } from '@/ui/system';

/** The fluid as it is at the car; as it runs out later is a finding of its own. */
export function FluidAtIntake() {
  const inspection = useInspection();
  const recent = useSlot('history.fluid') === 'recent';
  const subject = inspection.subject('unit', ['fluid']);
  return (
    <Stack $gap={14}>
      {subject &&
        [...inspection.points(subject).values()].map((point) => (
          <PointItem key={point.key} subject={subject} point={point} />
        ))}
      <SlotChoice
        slot="history.fluid"
        label="Changed lately?"
        options={[
          { value: 'not-recent', label: 'Not lately' },
          { value: 'recent', label: 'Yes, lately' },
          { value: 'unknown', label: 'Not known' },
        ]}
      />
      {recent && (
        <Notice>
          Fresh fluid hides what the old one showed: its colour and smell count for almost nothing.
        </Notice>
      )}
    </Stack>
  );
}
