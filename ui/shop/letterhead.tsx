'use client';
import { Choice, FieldLabel, Fields, Line, Section, Stack, TextInput } from '@/ui/system';
import { useDraft } from './draft';

/** A text of the terms. */
function Text({
  label,
  field,
  max,
  lines,
}: {
  label: string;
  field: 'name' | 'address' | 'phone' | 'letterhead' | 'currency' | 'timeZone';
  max: number;
  lines?: number;
}) {
  const { terms, change, round } = useDraft();
  return (
    <TextInput
      key={round}
      label={label}
      value={terms[field]}
      maxLength={max}
      lines={lines}
      pause
      onChange={(text) => change({ [field]: field === 'currency' ? text.toUpperCase() : text })}
    />
  );
}

export function Letterhead() {
  const { terms, change } = useDraft();
  return (
    <Section title="Letterhead" note="What stands at the head of quotes, on the page and on paper.">
      <Stack $gap={14}>
        <Fields $min={240}>
          <Text label="Name of the shop" field="name" max={200} />
          <Text label="Address" field="address" max={200} />
          <Text label="Telephone" field="phone" max={40} />
          <Text label="A line under the name" field="letterhead" max={200} />
          <Text label="Currency (three letters)" field="currency" max={3} />
          <Text label="Time zone" field="timeZone" max={60} />
        </Fields>
        <Line $gap={32}>
          <div>
            <FieldLabel as="span">Paper</FieldLabel>
            <Choice
              label="Paper"
              value={terms.paper}
              options={[
                { value: 'A4', label: 'A4' },
                { value: 'LETTER', label: 'Letter' },
              ]}
              onChange={(paper) => paper && change({ paper })}
            />
          </div>
          <div>
            <FieldLabel as="span">Distance</FieldLabel>
            <Choice
              label="Distance"
              value={terms.distance}
              options={[
                { value: 'km', label: 'Kilometres' },
                { value: 'mi', label: 'Miles' },
              ]}
              onChange={(distance) => distance && change({ distance })}
            />
          </div>
        </Line>
      </Stack>
    </Section>
  );
}
