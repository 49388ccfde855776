'use client';
import { Check, Trash2 } from 'lucide-react';
import { useMemo } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import { addGear, toggleApply } from '@/core/unit';
import { inForwardSense } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import { Button, Line, Section, Stack } from '@/ui/system';
import { outcomesOf } from './live';
import type { Change } from './use-draft';

const Grid = styled.div`
  overflow-x: auto;
  table {
    border-collapse: collapse;
  }
  th,
  td {
    padding: 0;
    border-top: 1px solid var(--rule);
    text-align: center;
    font-weight: 400;
  }
  thead th {
    border-top: 0;
    padding: 4px 8px;
    color: var(--ink-soft);
    font-stretch: 88%;
  }
  tbody th {
    font-weight: 650;
    text-align: left;
    padding-right: 14px;
  }
  td[data-ratio] {
    padding-left: 18px;
    text-align: right;
    font-weight: 650;
    white-space: nowrap;
  }
`;
const Cell = styled(ToggleButton)`
  width: 52px;
  height: 44px;
  border: 0;
  border-left: 1px solid var(--rule);
  background: var(--inset);
  color: transparent;
  cursor: pointer;
  &[data-hovered] {
    background: var(--accent-wash);
  }
  &[data-selected] {
    background: var(--accent);
    color: var(--accent-ink);
  }
`;

/** The application chart: what each gear applies, with the ratio that follows. */
export function ChartForm({ unit, change }: { unit: UnitDefinition; change: Change }) {
  const outcomes = useMemo(() => outcomesOf(unit), [unit]);
  const elements = unit.elements.filter((e) => e.kind !== 'one-way');
  return (
    <Section
      title="Gears"
      note="Tick what each gear applies. One-way clutches hold by themselves. The ratio follows at once."
    >
      <Stack>
        <Grid>
          <table>
            <thead>
              <tr>
                <th />
                {elements.map((e) => (
                  <th key={e.id} scope="col" title={e.name}>
                    {e.short}
                  </th>
                ))}
                <th>From rest</th>
                <th>Ratio</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {unit.gears.map((g, k) => (
                <tr key={g.key}>
                  <th scope="row">
                    {g.key} {g.name}
                  </th>
                  {elements.map((e) => (
                    <td key={e.id}>
                      <Cell
                        aria-label={`${g.key} applies ${e.name}`}
                        isSelected={g.apply.includes(e.id)}
                        onChange={() => change((u) => toggleApply(u, g.key, e.id))}
                      >
                        <Check size={20} aria-hidden />
                      </Cell>
                    </td>
                  ))}
                  <td>
                    <Cell
                      aria-label={`${g.key} starts from rest`}
                      isSelected={g.launch === true}
                      onChange={(launch) => change((u) => withLaunch(u, g.key, launch))}
                    >
                      <Check size={20} aria-hidden />
                    </Cell>
                  </td>
                  <td data-ratio>
                    {outcomes[k]?.ratio ? inForwardSense(unit, outcomes[k]!.ratio!).toFixed(3) : '–'}
                  </td>
                  <td>
                    {g.range !== 'P' && g.range !== 'N' && (
                      <Button
                        $kind="quiet"
                        aria-label={`Remove ${g.key}`}
                        onPress={() => change((u) => withoutGear(u, g.key))}
                      >
                        <Trash2 size={18} aria-hidden />
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </Grid>
        <Line>
          <Button onPress={() => change((u) => addGear(u, 'forward'))}>Add a forward gear</Button>
          {!unit.gears.some((g) => g.key === 'R') && (
            <Button onPress={() => change((u) => addGear(u, 'reverse'))}>Add Reverse</Button>
          )}
        </Line>
      </Stack>
    </Section>
  );
}

function withLaunch(unit: UnitDefinition, key: string, launch: boolean): UnitDefinition {
  const gears = unit.gears.map((g) => {
    if (g.key !== key) return g;
    const { launch: _, ...rest } = g;
    return launch ? { ...rest, launch: true as const } : rest;
  });
  return { ...unit, gears };
}

function withoutGear(unit: UnitDefinition, key: string): UnitDefinition {
  return {
    ...unit,
    gears: unit.gears.filter((g) => g.key !== key),
    converter: { ...unit.converter, lockUpGears: unit.converter.lockUpGears.filter((k) => k !== key) },
    elements: unit.elements.map((e) => {
      if (!e.pack?.secondArea?.gears.includes(key)) return e;
      const gears = e.pack.secondArea.gears.filter((k) => k !== key);
      const { secondArea: _, ...pack } = e.pack;
      return { ...e, pack: gears.length ? { ...pack, secondArea: { ...e.pack.secondArea, gears } } : pack };
    }),
  };
}
