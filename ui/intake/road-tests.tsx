'use client';
import { useState } from 'react';
import { useBench } from '@/ui/job/provider';
import { Button, Choice, Fields, Line, NumberInput, Stack, TextInput } from '@/ui/system';
import { Kept, shortId } from './lists';

type Temperature = 'cold' | 'warm' | 'hot';
type Result = 'reproduced' | 'partly' | 'not-reproduced';

/** Road-test attempts. "Not reproduced" after a short easy drive is weak evidence, so each says how far and how warm. */
export function RoadTests() {
  const { write, user, keepName } = useBench();
  const [km, setKm] = useState<number | null>(null);
  const [temperature, setTemperature] = useState<Temperature | null>(null);
  const [result, setResult] = useState<Result | null>(null);
  const [pattern, setPattern] = useState('');
  return (
    <Stack $gap={14}>
      <Kept
        prefix="roadtest."
        say={(v) => [
          `${String(v.result).replaceAll('-', ' ')}, ${String(v.temperature)}`,
          [v.km !== undefined && `${String(v.km)} km`, v.pattern, v.driver].filter(Boolean).join(', '),
        ]}
      />
      <Fields $min={150}>
        <NumberInput
          label="Distance"
          unit="km"
          min={0}
          max={2000}
          keep={keepName('form drive km')}
          value={km ?? undefined}
          onChange={setKm}
        />
        <TextInput
          label="How it was driven"
          keep={keepName('form drive pattern')}
          value={pattern}
          onChange={setPattern}
          maxLength={300}
        />
      </Fields>
      <Line>
        <Choice
          label="Temperature"
          value={temperature ?? undefined}
          onChange={setTemperature}
          options={[
            { value: 'cold', label: 'Cold' },
            { value: 'warm', label: 'Warm' },
            { value: 'hot', label: 'Fully hot' },
          ]}
        />
        <Choice
          label="Result"
          value={result ?? undefined}
          onChange={setResult}
          options={[
            { value: 'reproduced', label: 'Reproduced' },
            { value: 'partly', label: 'Partly' },
            { value: 'not-reproduced', label: 'Not reproduced' },
          ]}
        />
        <Button
          isDisabled={!temperature || !result}
          onPress={() => {
            write(`roadtest.${shortId()}`, {
              temperature: temperature!,
              result: result!,
              driver: user.name,
              ...(km === null ? {} : { km }),
              ...(pattern.trim() ? { pattern: pattern.trim() } : {}),
            });
            setKm(null);
            setPattern('');
            setTemperature(null);
            setResult(null);
          }}
        >
          Add drive
        </Button>
      </Line>
    </Stack>
  );
}
