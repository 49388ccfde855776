'use client';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { below, REPAIR_EFFECTS } from '@/core/case';
import type { RepairEffect, ValueBelow } from '@/core/case';
import { useBench, useJob } from '@/ui/job/provider';
import { REPAIR_WORDS } from '@/ui/job/words';
import { Button, Choice, Fields, Line, NumberInput, Picker, Stack, TextInput } from '@/ui/system';

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

function Kept<P extends string>({
  prefix,
  say,
}: {
  prefix: P;
  say: (value: ValueBelow<P>, key: string) => [string, string];
}) {
  const { state, write } = useJob();
  const items = below(state, prefix);
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
  return (
    <Stack $gap={18}>
      <RepairsTried />
      <Opinions />
    </Stack>
  );
}

/** A part renewed without effect is hardly to blame: named here, it counts as evidence. */
function RepairsTried() {
  const { unit, write, keepName } = useBench();
  const [done, setDone] = useState('');
  const [changed, setChanged] = useState('');
  const [part, setPart] = useState('');
  const [effect, setEffect] = useState<RepairEffect | null>(null);
  const partName = (id: unknown) => unit.parts.find((p) => p.id === id)?.name;
  return (
    <Stack $gap={10}>
      <Kept
        prefix="history.repair."
        say={(v) => [
          String(v.done),
          [
            v.effect && REPAIR_WORDS[v.effect as RepairEffect].toLowerCase(),
            v.changed && String(v.changed),
            v.part && `counts for: ${partName(v.part) ?? String(v.part)}`,
          ]
            .filter(Boolean)
            .join('; '),
        ]}
      />
      <Line>
        <div style={{ flex: '2 1 220px' }}>
          <TextInput
            label="Repair already tried"
            keep={keepName('form repair done')}
            value={done}
            onChange={setDone}
            maxLength={300}
          />
        </div>
        <div style={{ flex: '1 1 160px' }}>
          <TextInput
            label="What it changed"
            keep={keepName('form repair changed')}
            value={changed}
            onChange={setChanged}
            maxLength={300}
          />
        </div>
      </Line>
      <Line>
        <Picker label="Part renewed" value={part} onChange={setPart}>
          <option value="">Part renewed: none, or not in the list</option>
          {unit.parts
            .filter((p) => p.failure)
            .map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
        </Picker>
        <Choice
          label="Effect of the repair"
          value={effect ?? undefined}
          onChange={setEffect}
          options={REPAIR_EFFECTS.map((value) => ({ value, label: REPAIR_WORDS[value] }))}
        />
        <Button
          isDisabled={!done.trim()}
          onPress={() => {
            write(`history.repair.${shortId()}`, {
              done: done.trim(),
              ...(changed.trim() ? { changed: changed.trim() } : {}),
              ...(part ? { part } : {}),
              ...(effect ? { effect } : {}),
            });
            setDone('');
            setChanged('');
            setPart('');
            setEffect(null);
          }}
        >
          Add repair
        </Button>
      </Line>
    </Stack>
  );
}

function Opinions() {
  const { write, keepName } = useBench();
  const [said, setSaid] = useState('');
  const [by, setBy] = useState('');
  return (
    <Stack $gap={10}>
      <Kept prefix="history.opinion." say={(v) => [`“${String(v.said)}”`, v.by ? String(v.by) : '']} />
      <Line>
        <div style={{ flex: '2 1 220px' }}>
          <TextInput
            label="Diagnosis from elsewhere"
            keep={keepName('form opinion said')}
            value={said}
            onChange={setSaid}
            maxLength={600}
          />
        </div>
        <div style={{ flex: '1 1 160px' }}>
          <TextInput
            label="Who said so"
            keep={keepName('form opinion by')}
            value={by}
            onChange={setBy}
            maxLength={120}
          />
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
          Add opinion
        </Button>
      </Line>
    </Stack>
  );
}

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

/** Codes by their generic number. Electrical and rationality codes mean different things, so each says which it is. */
export function Codes() {
  const { write, keepName } = useBench();
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
