'use client';
import { SlotChoice } from '@/ui/job/fields';
import { useSlot } from '@/ui/job/provider';
import { Notice, Stack } from '@/ui/system';

/** The fluid as it is: at the car, and again when the pan comes off. */
export function Fluid() {
  const recent = useSlot('history.fluid') === 'recent';
  return (
    <Stack $gap={14}>
      <SlotChoice
        slot="fluid.level"
        label="Level"
        options={[
          { value: 'full', label: 'Full' },
          { value: 'low', label: 'Low' },
          { value: 'empty', label: 'Empty' },
          { value: 'over', label: 'Overfilled' },
        ]}
      />
      <SlotChoice
        slot="fluid.colour"
        label="Colour"
        options={[
          { value: 'red', label: 'Red' },
          { value: 'brown', label: 'Brown' },
          { value: 'black', label: 'Black' },
          { value: 'milky', label: 'Pink, milky' },
          { value: 'cloudy-tan', label: 'Tan, cloudy' },
        ]}
      />
      <SlotChoice
        slot="fluid.smell"
        label="Smell"
        options={[
          { value: 'neutral', label: 'Neutral' },
          { value: 'burnt', label: 'Burnt' },
          { value: 'not-assessable', label: 'Cannot tell' },
        ]}
      />
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
