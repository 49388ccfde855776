'use client';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { below } from '@/core/case';
import { useJob } from '@/ui/job/provider';
import { Button, Choice, Fields, Line, NumberInput, Stack, TextInput } from '@/ui/system';

const Rows = styled.ul`
  display: grid;
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    align-items: center;
    gap: 12px;
    padding: 4px 0;
    border-top: 1px solid var(--rule);
  }
  small {
    color: var(--ink-soft);
    font-size: 0.875rem;
  }
`;

const shortId = () => crypto.randomUUID().slice(0, 8);

function Kept({
  prefix,
  say,
}: {
  prefix: string;
  say: (value: Record<string, unknown>, key: string) => [string, string];
}) {
  const { state, write } = useJob();
  const items = below<Record<string, never>>(state, prefix);
  if (items.length === 0) return null;
  return (
    <Rows>
      {items.map(([key, value]) => {
        const [main, rest] = say(value, key);
        return (
          <li key={key}>
            <span>
              {main} <small>{rest}</small>
            </span>
            <Button
              $kind="quiet"
              $small
              aria-label={`Remove ${main}`}
              onPress={() => write(`${prefix}${key}`, null)}
            >
              <Trash2 size={18} aria-hidden />
            </Button>
          </li>
        );
      })}
    </Rows>
  );
}

/** Repairs already tried, with what they changed, and what others said it was. */
export function Repairs() {
  const { write } = useJob();
  const [done, setDone] = useState('');
  const [changed, setChanged] = useState('');
  const [said, setSaid] = useState('');
  const [by, setBy] = useState('');
  return (
    <Stack $gap={14}>
      <Kept
        prefix="history.repair."
        say={(v) => [String(v.done), v.changed ? `changed: ${String(v.changed)}` : '']}
      />
      <Line>
        <div style={{ flex: '2 1 220px' }}>
          <TextInput label="Repair already tried" value={done} onChange={setDone} maxLength={300} />
        </div>
        <div style={{ flex: '1 1 160px' }}>
          <TextInput label="What it changed" value={changed} onChange={setChanged} maxLength={300} />
        </div>
        <Button
          isDisabled={!done.trim()}
          onPress={() => {
            write(`history.repair.${shortId()}`, {
              done: done.trim(),
              ...(changed.trim() ? { changed: changed.trim() } : {}),
            });
            setDone('');
            setChanged('');
          }}
        >
          Add
        </Button>
      </Line>
      <Kept prefix="history.opinion." say={(v) => [`“${String(v.said)}”`, v.by ? String(v.by) : '']} />
      <Line>
        <div style={{ flex: '2 1 220px' }}>
          <TextInput label="Diagnosis from elsewhere" value={said} onChange={setSaid} maxLength={600} />
        </div>
        <div style={{ flex: '1 1 160px' }}>
          <TextInput label="Who said so" value={by} onChange={setBy} maxLength={120} />
        </div>
        <Button
          isDisabled={!said.trim()}
          onPress={() => {
            write(`history.opinion.${shortId()}`, {
              said: said.trim(),
              ...(by.trim() ? { by: by.trim() } : {}),
            });
            setSaid('');
            setBy('');
          }}
        >
          Add
        </Button>
      </Line>
    </Stack>
  );
}

type Temperature = 'cold' | 'warm' | 'hot';
type Result = 'reproduced' | 'partly' | 'not-reproduced';

/** Road-test attempts. "Not reproduced" after a short easy drive is weak evidence, so each says how far and how warm. */
export function RoadTests() {
  const { write, user } = useJob();
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
        <NumberInput label="Distance" unit="km" min={0} max={2000} value={km ?? undefined} onChange={setKm} />
        <TextInput label="How it was driven" value={pattern} onChange={setPattern} maxLength={300} />
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

/** Codes by their generic number. Electrical and rationality codes mean different things, so each says which it is. */
export function Codes() {
  const { write } = useJob();
  const [code, setCode] = useState('');
  const [note, setNote] = useState('');
  const [kind, setKind] = useState<'electrical' | 'rationality' | null>(null);
  const plain = code.trim().toUpperCase();
  const good = /^P0[78][0-9A-F]{2}$/.test(plain) || /^[A-Z0-9-]{3,12}$/.test(plain);
  return (
    <Stack $gap={14}>
      <Kept
        prefix="codes.list."
        say={(v, key) => [
          key,
          `${v.kind === 'rationality' ? 'about the ratio' : 'electrical'}${v.note ? `: ${String(v.note)}` : ''}`,
        ]}
      />
      <Line>
        <div style={{ flex: '0 1 120px' }}>
          <TextInput label="Code" value={code} onChange={setCode} maxLength={12} />
        </div>
        <div style={{ flex: '1 1 200px' }}>
          <TextInput label="What it says, in your words" value={note} onChange={setNote} maxLength={300} />
        </div>
      </Line>
      <Line>
        <Choice
          label="Kind of code"
          value={kind ?? undefined}
          onChange={setKind}
          options={[
            { value: 'electrical', label: 'Electrical: wrong voltage or current' },
            { value: 'rationality', label: 'Rationality: ratio or slip not as commanded' },
          ]}
        />
        <Button
          isDisabled={!good || !kind}
          onPress={() => {
            write(`codes.list.${plain}`, { kind: kind!, ...(note.trim() ? { note: note.trim() } : {}) });
            setCode('');
            setNote('');
            setKind(null);
          }}
        >
          Add code
        </Button>
      </Line>
    </Stack>
  );
}
