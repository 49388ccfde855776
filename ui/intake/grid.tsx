'use client';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import { BEHAVIOURS, CONDITIONS, valueOf } from '@/core/case';
import type { Behaviour, Condition, GridCell } from '@/core/case';
import { useJob } from '@/ui/job/provider';
import { BEHAVIOUR_WORDS, CONDITION_WORDS } from '@/ui/job/words';

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
    height: 156px;
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
    font-size: 0.9375rem;
    font-stretch: 86%;
    line-height: 42px;
    white-space: nowrap;
    text-align: left;
  }
  tbody th {
    padding-right: 14px;
    white-space: nowrap;
    small {
      display: block;
      font-weight: 400;
      color: var(--ink-soft);
      font-stretch: 88%;
    }
  }
  td {
    padding: 0;
  }
  tbody tr {
    border-top: 1px solid var(--rule);
  }
  .gap {
    width: 14px;
  }
`;
const Cell = styled(ToggleButton)`
  display: grid;
  place-items: center;
  width: 42px;
  height: 44px;
  border: 0;
  border-left: 1px solid var(--rule);
  background: transparent;
  cursor: pointer;
  &::after {
    content: '';
    width: 12px;
    height: 12px;
    border: 1.5px solid var(--rule-strong);
    border-radius: 50%;
  }
  &[data-hovered] {
    background: var(--inset);
  }
  &[data-selected]::after {
    width: 24px;
    height: 24px;
    border: 0;
    border-radius: 2px;
    background: var(--bad);
  }
  &[data-good][data-selected]::after {
    background: var(--good);
    border-radius: 50%;
  }
  &[data-plain][data-selected]::after {
    background: var(--ink);
    width: 22px;
    height: 22px;
  }
`;
const Source = styled(ToggleButton)`
  min-width: 92px;
  height: 44px;
  border: 0;
  border-left: 1px solid var(--rule);
  background: transparent;
  color: var(--ink-soft);
  font-size: 0.9375rem;
  font-stretch: 88%;
  cursor: pointer;
  &[data-selected] {
    color: var(--accent);
    font-weight: 700;
  }
  &[data-disabled] {
    opacity: 0.35;
    cursor: default;
  }
`;
const Like = styled.select`
  height: 44px;
  min-width: 66px;
  border: 0;
  border-left: 1px solid var(--rule);
  background: transparent;
  font-size: 0.9375rem;
  &:disabled {
    opacity: 0.35;
  }
`;

const FLAGS = [...CONDITIONS] as Condition[];

/** The complaint by range and gear. A pressed field is a report; who reported it, and when it happens, stand beside it. */
export function ComplaintGrid() {
  const { unit, state, write } = useJob();
  const cellOf = (gear: string) => valueOf(state, `grid.${gear}`);
  const change = (gear: string, patch: (cell: GridCell) => GridCell) => {
    const next = patch(cellOf(gear) ?? { behaviours: [], when: [], source: 'customer' });
    write(`grid.${gear}`, next.behaviours.length ? next : null);
  };
  const toggle = (gear: string, behaviour: Behaviour) =>
    change(gear, (cell) => {
      const has = cell.behaviours.includes(behaviour);
      const rest = cell.behaviours.filter(
        (b) => b !== behaviour && (behaviour === 'normal') === (b === 'normal'),
      );
      return { ...cell, behaviours: has ? rest : [...rest, behaviour].slice(-6) };
    });
  return (
    <Scroll>
      <Table>
        <thead>
          <tr>
            <th scope="col">
              <span style={{ writingMode: 'horizontal-tb', transform: 'none', width: 'auto' }}>Gear</span>
            </th>
            {BEHAVIOURS.map((b) => (
              <th key={b} scope="col">
                <span>{BEHAVIOUR_WORDS[b]}</span>
              </th>
            ))}
            <th className="gap" aria-hidden />
            {FLAGS.map((c) => (
              <th key={c} scope="col">
                <span>{CONDITION_WORDS[c]}</span>
              </th>
            ))}
            <th scope="col">
              <span>Limp gear</span>
            </th>
            <th scope="col">
              <span>Acts like</span>
            </th>
            <th scope="col">
              <span>Verified</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {unit.gears.map((gear) => {
            const cell = cellOf(gear.key);
            const empty = !cell;
            return (
              <tr key={gear.key}>
                <th scope="row">
                  {gear.key} <small>{gear.name}</small>
                </th>
                {BEHAVIOURS.map((b) => (
                  <td key={b}>
                    <Cell
                      aria-label={`${gear.key} ${BEHAVIOUR_WORDS[b].toLowerCase()}`}
                      data-good={b === 'normal' || undefined}
                      isSelected={cell?.behaviours.includes(b) ?? false}
                      onChange={() => toggle(gear.key, b)}
                    />
                  </td>
                ))}
                <td className="gap" />
                {FLAGS.map((c) => (
                  <td key={c}>
                    <Cell
                      aria-label={`${gear.key} when ${CONDITION_WORDS[c].toLowerCase()}`}
                      data-plain
                      isDisabled={empty}
                      isSelected={cell?.when.includes(c) ?? false}
                      onChange={(on) =>
                        change(gear.key, (v) => ({
                          ...v,
                          when: on ? [...v.when, c] : v.when.filter((w) => w !== c),
                        }))
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
                    onChange={(limp) => change(gear.key, (v) => ({ ...v, limp }))}
                  />
                </td>
                <td>
                  <Like
                    aria-label={`${gear.key} acts like`}
                    disabled={empty}
                    value={cell?.actsLike ?? ''}
                    onChange={(event) =>
                      change(gear.key, ({ actsLike: _, ...v }) =>
                        event.target.value ? { ...v, actsLike: event.target.value } : v,
                      )
                    }
                  >
                    <option value="">–</option>
                    {unit.gears
                      .filter((g) => g.gear !== null && g.key !== gear.key)
                      .map((g) => (
                        <option key={g.key}>{g.key}</option>
                      ))}
                  </Like>
                </td>
                <td>
                  <Source
                    aria-label={`${gear.key} verified by the shop`}
                    isDisabled={empty}
                    isSelected={cell?.source === 'shop'}
                    onChange={(on) => change(gear.key, (v) => ({ ...v, source: on ? 'shop' : 'customer' }))}
                  >
                    {cell?.source === 'shop' ? 'By the shop' : empty ? '–' : 'Customer'}
                  </Source>
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table>
    </Scroll>
  );
}
