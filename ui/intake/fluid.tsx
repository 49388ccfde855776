'use client';
import { SlotChoice } from '@/ui/job/fields';
import { useSlot } from '@/ui/job/provider';
import { Notice, Stack } from '@/ui/system';
import { Topic } from './checks';

/** The fluid as it is at the car; as it runs out later is a finding of its own. */
export function FluidAtIntake() {
  const recent = useSlot('history.fluid') === 'recent';
  return (
    <Stack $gap={14}>
      <Topic topic="fluid" />
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
