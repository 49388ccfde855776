'use client';
import { useState } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import { BEHAVIOURS, CONDITIONS, HEATS, NOISES, SPEAKERS, valueOf } from '@/core/case';
import type { GridCell, GridGear, Json, Noise, Speaker } from '@/core/case';
import type { GearPosition } from '@/core/unit';
import { useJob } from '@/ui/job/provider';
import { BEHAVIOUR_WORDS, CONDITION_WORDS, HEAT_WORDS, NOISE_WORDS, SPEAKER_WORDS } from '@/ui/job/words';
import { Button, Choice, Line, NumberInput, Stack } from '@/ui/system';
import { CellMarks, Legend } from './grid-mark';
import { changed, withBehaviour, withNoise } from './grid-state';
import type { Voice } from './grid-state';

const Scroll = styled.div`
  overflow-x: auto;
  padding-bottom: 4px;
`;
const Table = styled.table`
  border-collapse: collapse;
  th {
    font-weight: 600;
    text-align: left;
  }
  thead th {
    height: 132px;
    vertical-align: bottom;
    padding: 0;
  }
  thead th > span {
    display: block;
    width: 42px;
    writing-mode: vertical-rl;
    transform: rotate(180deg);
    padding: 0 0 0 8px;
    font-weight: 500;
    font-size: 0.875rem;
    font-stretch: 84%;
    line-height: 42px;
    white-space: nowrap;
    text-align: left;
  }
  tbody th {
    padding-right: 10px;
    white-space: nowrap;
    small {
      display: block;
      font-weight: 400;
      color: var(--ink-soft);
      font-stretch: 84%;
    }
  }
  td {
    padding: 0;
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
  .gap {
    width: 10px;
  }
`;
const Cell = styled(ToggleButton)`
  display: grid;
  place-items: center;
  width: 42px;
  height: 44px;
  padding: 0;
  border: 0;
  border-left: 1px solid var(--rule);
  background: transparent;
  cursor: pointer;
  &[data-hovered] {
    background: var(--inset);
  }
  &[data-selected] {
    background: var(--accent-wash);
  }
  &[data-plain]::after {
    content: '';
    width: 11px;
    height: 11px;
    border: 1.5px solid var(--rule-strong);
    border-radius: 50%;
  }
  &[data-plain][data-selected]::after {
    background: var(--ink);
    width: 20px;
    height: 20px;
    border-radius: 2px;
  }
  &[data-disabled] {
    opacity: 0.35;
    cursor: default;
  }
`;
const Small = styled.select`
  height: 44px;
  min-width: 62px;
  border: 0;
  border-left: 1px solid var(--rule);
  background: transparent;
  font-size: 0.9375rem;
  &:disabled {
    opacity: 0.35;
  }
`;

/**
 * The complaint by range and gear. First whose word it is and how warm it was, then what each gear does: the customer's
 * word and what the shop has seen stand side by side, cold and hot apart.
 */
export function ComplaintGrid() {
  const { unit, state, writeMany } = useJob();
  const [voice, setVoice] = useState<Voice>({ speaker: 'customer', heat: 'any' });
  const unsaid = unit.gears.filter((g) => !valueOf(state, `grid.${g.key}.${voice.speaker}`));
  const restNormal = () =>
    writeMany(
      unsaid
        .filter((g) => g.gear !== null || g.range === 'R')
        .map((g): [string, Json] => [
          `grid.${g.key}.${voice.speaker}`,
          { [voice.heat]: { behaviours: ['normal'] } },
        ]),
    );
  return (
    <Stack $gap={10}>
      <Line $gap={14}>
        <Choice
          label="Whose word"
          value={voice.speaker}
          options={SPEAKERS.map((t) => ({ value: t, label: SPEAKER_WORDS[t] }))}
          onChange={(speaker) => speaker && setVoice({ ...voice, speaker })}
        />
        <Choice
          label="How warm"
          value={voice.heat}
          options={HEATS.map((h) => ({ value: h, label: HEAT_WORDS[h] }))}
          onChange={(heat) => heat && setVoice({ ...voice, heat })}
        />
        <Button $small isDisabled={unsaid.length === 0} onPress={restNormal}>
          All other gears normal
        </Button>
        <Legend />
      </Line>
      <Scroll>
        <Table>
          <thead>
            <tr>
              <th scope="col">
                <span style={{ writingMode: 'horizontal-tb', transform: 'none', width: 'auto' }}>Gear</span>
              </th>
              {[...BEHAVIOURS.map((b) => BEHAVIOUR_WORDS[b]), null, ...EXTRAS].map((words, k) =>
                words === null ? (
                  <th key={k} className="gap" aria-hidden />
                ) : (
                  <th key={k} scope="col">
                    <span>{words}</span>
                  </th>
                ),
              )}
            </tr>
          </thead>
          <tbody>
            {unit.gears.map((gear) => (
              <GearRow key={gear.key} gear={gear} voice={voice} />
            ))}
          </tbody>
        </Table>
      </Scroll>
    </Stack>
  );
}

const EXTRAS = [
  ...CONDITIONS.map((c) => CONDITION_WORDS[c]),
  'Limp gear',
  'Noise',
  'Acts like',
  'Seconds late',
];

function GearRow({ gear, voice }: { gear: GearPosition; voice: Voice }) {
  const { state, write, now } = useJob();
  const told: Record<Speaker, GridGear | undefined> = {
    customer: valueOf(state, `grid.${gear.key}.customer`),
    shop: valueOf(state, `grid.${gear.key}.shop`),
  };
  const slot = `grid.${gear.key}.${voice.speaker}` as const;
  const cell: GridCell | undefined = told[voice.speaker]?.[voice.heat];
  const change = (how: (cell: GridCell) => GridCell) => write(slot, changed(now(slot), voice.heat, how));
  const empty = !cell;
  return (
    <tr>
      <th scope="row">
        {gear.key} <small>{gear.name}</small>
      </th>
      {BEHAVIOURS.map((b) => (
        <td key={b}>
          <Cell
            aria-label={`${gear.key} ${BEHAVIOUR_WORDS[b].toLowerCase()}`}
            isSelected={cell?.behaviours.includes(b) ?? false}
            onChange={() => change((v) => withBehaviour(v, b))}
          >
            <CellMarks told={told} behaviour={b} />
          </Cell>
        </td>
      ))}
      <td className="gap" />
      {CONDITIONS.map((c) => (
        <td key={c}>
          <Cell
            aria-label={`${gear.key} when ${CONDITION_WORDS[c].toLowerCase()}`}
            data-plain
            isDisabled={empty}
            isSelected={cell?.when?.includes(c) ?? false}
            onChange={(on) =>
              change(({ when = [], ...v }) => {
                const next = on ? [...when, c] : when.filter((w) => w !== c);
                return next.length ? { ...v, when: next } : v;
              })
            }
          />
        </td>
      ))}
      <td>
        <Cell
          aria-label={`${gear.key} is the electronics' limp gear`}
          data-plain
          isDisabled={empty}
          isSelected={cell?.limp ?? false}
          onChange={(on) => change(({ limp: _, ...v }) => (on ? { ...v, limp: true } : v))}
        />
      </td>
      <MoreOfGear gear={gear} voice={voice} cell={cell} change={change} />
    </tr>
  );
}

/** What a gear sounds like, acts like, and how late it comes. */
function MoreOfGear(props: {
  gear: GearPosition;
  voice: Voice;
  cell: GridCell | undefined;
  change: (how: (cell: GridCell) => GridCell) => void;
}) {
  const { gear, voice, cell, change } = props;
  const { unit, keepName } = useJob();
  return (
    <>
      <td>
        <Small
          aria-label={`${gear.key} noise`}
          value={cell?.noises?.[0] ?? ''}
          onChange={(e) => change((v) => withNoise(v, (e.target.value || null) as Noise | null))}
        >
          <option value="">–</option>
          {NOISES.map((n) => (
            <option key={n} value={n}>
              {NOISE_WORDS[n]}
            </option>
          ))}
        </Small>
      </td>
      <td>
        <Small
          aria-label={`${gear.key} acts like`}
          disabled={!cell}
          value={cell?.actsLike ?? ''}
          onChange={(e) =>
            change(({ actsLike: _, ...v }) => (e.target.value ? { ...v, actsLike: e.target.value } : v))
          }
        >
          <option value="">–</option>
          {unit.gears
            .filter((g) => g.gear !== null && g.key !== gear.key)
            .map((g) => (
              <option key={g.key}>{g.key}</option>
            ))}
        </Small>
      </td>
      <td>
        {cell?.behaviours.includes('delayed') && (
          <div style={{ width: 86 }}>
            <NumberInput
              label={`${gear.key} seconds late`}
              hideLabel
              unit="s"
              min={0}
              max={60}
              pause
              keep={keepName(`grid.${gear.key}.${voice.speaker} ${voice.heat} delay`)}
              value={cell.delayS}
              onChange={(s) => change(({ delayS: _, ...v }) => (s === null ? v : { ...v, delayS: s }))}
            />
          </div>
        )}
      </td>
    </>
  );
}
