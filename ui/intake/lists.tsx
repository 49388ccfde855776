'use client';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { below, REPAIR_EFFECTS } from '@/core/case';
import type { RepairEffect, ValueBelow } from '@/core/case';
import { useBench, useJob } from '@/ui/job/provider';
import { REPAIR_WORDS } from '@/ui/job/words';
import { Button, Choice, Line, Picker, Stack, TextInput } from '@/ui/system';

export const Rows = styled.ul`
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

export const shortId = () => crypto.randomUUID().slice(0, 8);

/** What was added to a list, each with a way to take it out. */
export function Kept<P extends string>({
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
  const { unit, write, keepName } = useBench();
  const [said, setSaid] = useState('');
  const [by, setBy] = useState('');
  const [part, setPart] = useState('');
  const partName = (id: unknown) => unit.parts.find((p) => p.id === id)?.name;
  return (
    <Stack $gap={10}>
      <Kept
        prefix="history.opinion."
        say={(v) => [
          `“${String(v.said)}”`,
          [v.by, v.part && `blames: ${partName(v.part) ?? v.part}`].filter(Boolean).join('; '),
        ]}
      />
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
        <Picker label="Part it blames" value={part} onChange={setPart}>
          <option value="">Blames no part</option>
          {unit.parts
            .filter((p) => p.failure)
            .map((p) => (
              <option key={p.id} value={p.id}>
                {p.name}
              </option>
            ))}
        </Picker>
        <Button
          isDisabled={!said.trim()}
          onPress={() => {
            write(`history.opinion.${shortId()}`, {
              said: said.trim(),
              ...(by.trim() ? { by: by.trim() } : {}),
              ...(part ? { part } : {}),
            });
            setSaid('');
            setBy('');
            setPart('');
          }}
        >
          Add opinion
        </Button>
      </Line>
    </Stack>
  );
}
