'use client';
import { useState } from 'react';
import { WARMTHS } from '@/core/case';
import type { Warmth } from '@/core/case';
import { readSpeeds } from '@/core/roadtest';
import type { SpeedReading } from '@/core/roadtest';
import { useBench } from '@/ui/job/provider';
import { Button, Caption, Choice, Fields, Line, NumberInput, Picker, Stack } from '@/ui/system';
import { Kept, shortId } from './lists';

const MOST = 12_000;

/** Gear asked for and speeds read: ratio, slip, and the gear it really is. The proof behind a code about the ratio. */
export function MeasuredSpeeds() {
  const { unit, write, keepName } = useBench();
  const driving = unit.gears.filter((g) => g.gear !== null || g.range === 'R');
  const [gear, setGear] = useState(driving[0]!.key);
  const [engine, setEngine] = useState<number | null>(null);
  const [input, setInput] = useState<number | null>(null);
  const [output, setOutput] = useState<number | null>(null);
  const [warmth, setWarmth] = useState<Warmth | null>(null);
  const now =
    input === null || output === null
      ? null
      : readSpeeds(unit, {
          gear,
          inputRpm: input,
          outputRpm: output,
          ...(engine === null ? {} : { engineRpm: engine }),
        });
  const field = (label: string, value: number | null, change: (v: number | null) => void) => (
    <NumberInput
      label={label}
      unit="r/min"
      min={0}
      max={MOST}
      keep={keepName(`form speeds ${label}`)}
      value={value ?? undefined}
      onChange={change}
    />
  );
  return (
    <Stack $gap={10}>
      <Kept
        prefix="speeds."
        say={(v) => [
          `${v.gear} asked for${v.warmth ? `, ${v.warmth}` : ''}: ${v.inputRpm} in, ${v.outputRpm} out`,
          readingWords(v.gear, readSpeeds(unit, v)),
        ]}
      />
      <Fields $min={120}>
        {field('Engine', engine, setEngine)}
        {field('Turbine or input', input, setInput)}
        {field('Output', output, setOutput)}
      </Fields>
      <Line>
        <Picker label="Gear asked for" value={gear} onChange={setGear}>
          {driving.map((g) => (
            <option key={g.key}>{g.key}</option>
          ))}
        </Picker>
        <Choice
          label="How warm it was driven"
          dense
          value={warmth ?? undefined}
          options={WARMTHS.map((w) => ({ value: w, label: w.charAt(0).toUpperCase() + w.slice(1) }))}
          onChange={setWarmth}
        />
        <Caption role="status" style={{ flex: '1 1 220px' }}>
          {now ? readingWords(gear, now) : 'Speeds as the scan tool shows them.'}
        </Caption>
        <Button
          isDisabled={!now}
          onPress={() => {
            write(`speeds.${shortId()}`, {
              gear,
              inputRpm: input!,
              outputRpm: output!,
              ...(engine === null ? {} : { engineRpm: engine }),
              ...(warmth ? { warmth } : {}),
            });
            for (const empty of [setEngine, setInput, setOutput]) empty(null);
          }}
        >
          Add speeds
        </Button>
      </Line>
    </Stack>
  );
}

/** "ratio 2.70, should be 1.50: it is D1; slips 1,200 r/min". */
function readingWords(
  asked: string,
  { expected, measured, slip, converterSlip, really }: SpeedReading,
): string {
  const is =
    measured === null
      ? 'the output stands still'
      : really === asked
        ? 'it is in that gear'
        : really
          ? `it is really ${really}`
          : 'it is in no gear';
  return [
    measured !== null &&
      `ratio ${measured.toFixed(3)}${expected === null ? '' : `, should be ${Math.abs(expected).toFixed(3)}`}`,
    is,
    slip !== null && really !== asked && `${Math.round(slip)} r/min of slip`,
    converterSlip !== null && `converter slips ${Math.round(converterSlip)} r/min`,
  ]
    .filter(Boolean)
    .join('; ');
}
