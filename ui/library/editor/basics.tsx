'use client';
import type { UnitDefinition } from '@/core/unit';
import { Fields, Section, TextInput } from '@/ui/system';
import { ColumnField } from './rows';
import type { Column } from './rows';
import type { Change } from './use-draft';

const number = (
  label: string,
  unit: string,
  [min, max]: [number, number],
  read: (u: UnitDefinition) => number,
  write: (u: UnitDefinition, v: number) => UnitDefinition,
  scale = 1,
): Column<UnitDefinition> => ({
  label,
  kind: 'number',
  unit,
  scale,
  min,
  max,
  read,
  write: (u, v) => (v ? write(u, v) : u),
});

const COLUMNS: Column<UnitDefinition>[] = [
  number(
    'Engine torque',
    'N·m',
    [1, 5000],
    (u) => u.engine.torqueNm,
    (u, torqueNm) => ({ ...u, engine: { ...u.engine, torqueNm } }),
  ),
  number(
    'Converter, torque at stall',
    '×',
    [1, 5],
    (u) => u.engine.stallTorqueRatio,
    (u, v) => ({ ...u, engine: { ...u.engine, stallTorqueRatio: v } }),
  ),
  number(
    'Full line pressure',
    'bar',
    [1, 100],
    (u) => u.pressure.fullPa,
    (u, fullPa) => ({ ...u, pressure: { ...u.pressure, fullPa } }),
    1e-5,
  ),
  number(
    'Line pressure at idle',
    'bar',
    [0.1, 100],
    (u) => u.pressure.idlePa,
    (u, idlePa) => ({ ...u, pressure: { ...u.pressure, idlePa } }),
    1e-5,
  ),
  {
    label: 'Full pressure in Reverse, if it has its own',
    kind: 'number',
    unit: 'bar',
    scale: 1e-5,
    min: 0.1,
    max: 100,
    read: (u) => u.pressure.ranges?.R,
    write: (u, v) => {
      const { R: _, ...others } = u.pressure.ranges ?? {};
      const ranges = v === undefined ? others : { ...others, R: v };
      const { fullPa, idlePa } = u.pressure;
      return { ...u, pressure: { fullPa, idlePa, ...(Object.keys(ranges).length ? { ranges } : {}) } };
    },
  },
  number(
    'Dry fill',
    'litres',
    [0.1, 100],
    (u) => u.fluidLitres,
    (u, fluidLitres) => ({ ...u, fluidLitres }),
  ),
  {
    label: 'Level is checked by',
    kind: 'choice',
    options: () => [
      { value: 'dipstick', label: 'a dipstick' },
      { value: 'overflow-plug', label: 'an overflow plug' },
    ],
    read: (u) => u.levelBy,
    write: (u, v) => ({ ...u, levelBy: v as UnitDefinition['levelBy'] }),
  },
  {
    label: 'Drained by',
    kind: 'choice',
    options: () => [
      { value: 'pan', label: 'taking the pan off' },
      { value: 'plug', label: 'a plug' },
    ],
    read: (u) => u.drain,
    write: (u, v) => ({ ...u, drain: v as UnitDefinition['drain'] }),
  },
];

/** The name first; all else stands on usual figures until somebody knows better. */
export function Basics({ unit, change, isNew }: { unit: UnitDefinition; change: Change; isNew: boolean }) {
  return (
    <Section
      title="The unit"
      note={isNew ? 'A name is enough to begin. The figures are usual ones: put in your own.' : undefined}
    >
      <Fields $min={190}>
        <TextInput
          label="Name"
          value={unit.name}
          pause
          maxLength={120}
          onChange={(name) => change((u) => ({ ...u, name: name || u.name }))}
        />
        <TextInput
          label="In one line: speeds, drive"
          value={unit.layout}
          pause
          maxLength={160}
          onChange={(layout) => change((u) => ({ ...u, layout: layout || u.layout }))}
        />
        {COLUMNS.map((column) => (
          <ColumnField
            key={column.label}
            unit={unit}
            column={column}
            row={unit}
            onChange={(next) => change(() => next)}
          />
        ))}
      </Fields>
    </Section>
  );
}
