'use client';
import { ObjectNumber, ObjectText, SlotChoice, SlotNumber, useObjectSlot } from '@/ui/job/fields';
import { Choice, FieldLabel, Fields, Line, Stack } from '@/ui/system';
import { Comeback } from './comeback';
import { Repairs } from './lists';

/** What was done to it before, how it was used, and the job it comes back from. */
export function History() {
  const [rebuilt, change] = useObjectSlot('history.rebuilt');
  const known = rebuilt.by === 'here' || rebuilt.by === 'elsewhere';
  return (
    <Stack $gap={16}>
      <Stack $gap={4}>
        <FieldLabel as="span">Overhauled before</FieldLabel>
        <Choice
          label="Overhauled before"
          value={rebuilt.by}
          onChange={(by) => change(by === null ? null : { by })}
          options={[
            { value: 'never', label: 'Never' },
            { value: 'here', label: 'Here' },
            { value: 'elsewhere', label: 'Elsewhere' },
            { value: 'unknown', label: 'Not known' },
          ]}
        />
      </Stack>
      {rebuilt.by === 'here' && <Comeback />}
      {known && (
        <Fields>
          <ObjectNumber
            slot="history.rebuilt"
            field="monthsAgo"
            label="How long ago"
            unit="months"
            min={0}
            max={600}
            whole
          />
          <ObjectText slot="history.rebuilt" field="what" label="What was replaced" maxLength={1000} />
        </Fields>
      )}
      <SlotChoice
        slot="history.converter"
        label="Converter"
        options={[
          { value: 'original', label: 'Original' },
          { value: 'new', label: 'New' },
          { value: 'rebuilt-here', label: 'Rebuilt here' },
          { value: 'bought-rebuilt', label: 'Bought rebuilt' },
          { value: 'unknown', label: 'Not known' },
        ]}
      />
      <SlotChoice
        slot="history.towing"
        label="Towing"
        options={[
          { value: 'none', label: 'None' },
          { value: 'light', label: 'Light' },
          { value: 'heavy', label: 'Heavy' },
          { value: 'unknown', label: 'Not known' },
        ]}
      />
      <Line $gap={24}>
        <SlotChoice
          slot="history.tyres"
          label="Tyres"
          options={[
            { value: 'stock', label: 'As built' },
            { value: 'larger', label: 'Larger' },
            { value: 'unknown', label: 'Not known' },
          ]}
        />
        <SlotChoice
          slot="history.mud"
          label="Mud or water"
          options={[
            { value: 'none', label: 'None' },
            { value: 'mud', label: 'Deep mud' },
            { value: 'water', label: 'Water' },
            { value: 'unknown', label: 'Not known' },
          ]}
        />
        <SlotChoice
          slot="history.parkRolling"
          label="Put into Park while rolling"
          options={[
            { value: 'no', label: 'No' },
            { value: 'yes', label: 'Yes' },
            { value: 'unknown', label: 'Not known' },
          ]}
        />
      </Line>
      <div style={{ maxWidth: 240 }}>
        <SlotNumber
          slot="history.powerFactor"
          label="Engine power against stock"
          unit="×"
          min={0.5}
          max={4}
          description="1 is as built; 1.5 is half as much again"
        />
      </div>
      <Repairs />
    </Stack>
  );
}
