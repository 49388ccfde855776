'use client';
import { useState } from 'react';
import type { ValueAt } from '@/core/case';
import { publicCode } from '@/data/codes';
import { useBench } from '@/ui/job/provider';
import { Button, Caption, Choice, Line, Picker, Stack, TextInput } from '@/ui/system';
import { Kept } from './lists';

type Code = ValueAt<'codes.list.P0700'>;

/**
 * Codes by their generic number. Electrical and rationality codes mean different things, so each says which it is: those
 * of the public table by themselves, others as they are typed.
 */
export function Codes() {
  const { unit, write, keepName } = useBench();
  const [code, setCode] = useState('');
  const [note, setNote] = useState('');
  const [freeze, setFreeze] = useState('');
  const [cleared, setCleared] = useState('');
  const [gear, setGear] = useState('');
  const [kind, setKind] = useState<Code['kind'] | null>(null);
  const plain = code.trim().toUpperCase();
  const known = publicCode(plain);
  const good = known !== undefined || /^[A-Z0-9-]{3,12}$/.test(plain);
  const meant = kind ?? known?.kind ?? null;
  const ofUnit = (key: string | undefined) => (unit.gears.some((g) => g.key === key) ? key : undefined);
  const about = gear || ofUnit(known?.gear);
  const optional = (name: keyof Code, text: string | undefined) =>
    text?.trim() ? { [name]: text.trim() } : {};
  const add = () => {
    write(`codes.list.${plain}`, {
      kind: meant!,
      ...optional('gear', about),
      ...optional('freeze', freeze),
      ...optional('cleared', cleared),
      ...optional('note', note),
    });
    for (const empty of [setCode, setNote, setFreeze, setCleared, setGear]) empty('');
    setKind(null);
  };
  return (
    <Stack $gap={10}>
      <Kept prefix="codes.list." say={(v, key) => [key, saidOf(v, key)]} />
      <Line>
        <div style={{ flex: '0 1 120px' }}>
          <TextInput
            label="Code"
            keep={keepName('form code')}
            value={code}
            onChange={setCode}
            maxLength={12}
          />
        </div>
        <div style={{ flex: '1 1 200px' }}>
          <TextInput
            label="What it says, in your words"
            keep={keepName('form code note')}
            value={note}
            onChange={setNote}
            maxLength={300}
          />
        </div>
        <div style={{ flex: '1 1 160px' }}>
          <TextInput
            label="Freeze data"
            keep={keepName('form code freeze')}
            value={freeze}
            onChange={setFreeze}
            maxLength={300}
          />
        </div>
        <div style={{ flex: '1 1 140px' }}>
          <TextInput
            label="Cleared when, by whom"
            keep={keepName('form code cleared')}
            value={cleared}
            onChange={setCleared}
            maxLength={120}
          />
        </div>
      </Line>
      {known && <Caption>{known.words}.</Caption>}
      <Line>
        <Choice
          label="Kind of code"
          value={meant ?? undefined}
          onChange={setKind}
          options={[
            { value: 'electrical', label: 'Electrical: wrong voltage or current' },
            { value: 'rationality', label: 'Rationality: ratio or slip not as commanded' },
          ]}
        />
        <Picker label="Gear of the code" value={about ?? ''} onChange={setGear}>
          <option value="">No gear</option>
          {unit.gears
            .filter((g) => g.gear !== null || g.range === 'R')
            .map((g) => (
              <option key={g.key}>{g.key}</option>
            ))}
        </Picker>
        <Button isDisabled={!good || !meant} onPress={add}>
          Add code
        </Button>
      </Line>
    </Stack>
  );
}

function saidOf({ kind, gear, freeze, cleared, note }: Code, code: string): string {
  return [
    publicCode(code)?.words,
    kind === 'rationality' ? 'about the ratio' : 'electrical',
    gear && `gear ${gear}`,
    note,
    freeze && `kept: ${freeze}`,
    cleared && `cleared: ${cleared}`,
  ]
    .filter(Boolean)
    .join('; ');
}
