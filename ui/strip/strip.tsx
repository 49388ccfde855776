'use client';
import { memo, useMemo } from 'react';
import styled from 'styled-components';
import type { GearSolution } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import { Glyph } from './glyph';
import { layoutStrip } from './layout';
import type { Device, StripLayout } from './layout';

/** What the strip says of one device. Condition has a shape of its own, besides its colour. */
export interface DeviceMark {
  condition?: 'sound' | 'worn' | 'failed';
  suspect?: boolean;
  out?: boolean;
  current?: boolean;
}

const COLUMN = 84;
const LEFT = 16;
const TOP = 30;
const AXIS = TOP + 96;
const RAILS = AXIS + 40;
const LEVEL = 26;

const Drawing = styled.figure`
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 4px 10px;
  color: var(--ink);
  svg {
    display: block;
    width: 100%;
    height: auto;
  }
  text {
    font-family: var(--body);
    font-stretch: 84%;
  }
  [role='button'] {
    cursor: pointer;
  }
  [role='button']:focus-visible {
    outline: 3px solid var(--accent);
  }
`;

interface Props {
  unit: UnitDefinition;
  marks: Record<string, DeviceMark>;
  solution?: GearSolution | null;
  /** Draw the members and their connections below. */
  rails?: boolean;
  onSelect?: (device: Device) => void;
}

/** The half-section of this unit, drawn from its definition: converter left, output right. */
export const UnitStrip = memo(function UnitStrip({ unit, marks, solution, rails = true, onSelect }: Props) {
  const layout = useMemo(() => layoutStrip(unit), [unit]);
  const width = LEFT * 2 + layout.devices.length * COLUMN;
  const height = rails ? RAILS + layout.levels * LEVEL : AXIS + 24;
  return (
    <Drawing aria-label={`${unit.name} in section, converter left, output right`}>
      <svg viewBox={`0 0 ${width} ${height}`} role="group" aria-label="Unit">
        <defs>
          <pattern
            id="case-hatch"
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="7" stroke="var(--hatch)" strokeWidth="2" />
          </pattern>
        </defs>
        <Case layout={layout} width={width} />
        <line
          x1={4}
          x2={width - 4}
          y1={AXIS}
          y2={AXIS}
          stroke="var(--rule-strong)"
          strokeDasharray="16 4 3 4"
        />
        {rails && <Rails layout={layout} solution={solution ?? null} />}
        {layout.devices.map((device, column) => (
          <DeviceView
            key={device.id}
            device={device}
            x={LEFT + column * COLUMN}
            mark={marks[device.id] ?? {}}
            active={isActive(device, solution ?? null)}
            onSelect={onSelect}
          />
        ))}
      </svg>
    </Drawing>
  );
});

function isActive(device: Device, solution: GearSolution | null): boolean {
  if (!solution) return false;
  if (device.kind === 'element') return (solution.elements[device.id] ?? 0) > 0;
  if (device.kind !== 'gearset' || device.gearset.kind !== 'planetary') return false;
  const { sun, ring, carrier } = device.gearset;
  const speeds = [sun.member, ring.member, carrier].map((m) => solution.speeds[m]);
  return solution.outcome === 'drive' && new Set(speeds).size > 1;
}

/** The case: a hatched wall, stepped down from bell housing to tail. Brakes and bands hang from it. */
function Case({ layout, width }: { layout: StripLayout; width: number }) {
  const bell = LEFT + COLUMN * 1.06;
  const tail = width - LEFT - COLUMN * 1.05;
  return (
    <g>
      <path
        d={`M4 4H${bell}L${bell + 14} 14H${tail}L${tail + 26} 40H${width - 4}V50H${tail + 20}L${tail - 5} 24H${bell + 9}L${bell - 4} 14H4Z`}
        fill="url(#case-hatch)"
        stroke="var(--rule-strong)"
      />
      {layout.toCase.map((column) => {
        const x = LEFT + column * COLUMN + COLUMN / 2;
        const y = x > tail ? 44 : 24;
        return (
          <line key={column} x1={x} x2={x} y1={y} y2={TOP + 14} stroke="currentColor" strokeWidth={2.4} />
        );
      })}
    </g>
  );
}

function Rails({ layout, solution }: { layout: StripLayout; solution: GearSolution | null }) {
  const y = (level: number) => RAILS + level * LEVEL;
  const at = new Map(layout.rails.map((r) => [r.member, r]));
  const centre = (column: number, end: number) => {
    const ends = layout.leads.filter((l) => l.column === column).length;
    return LEFT + column * COLUMN + COLUMN / 2 + (end - (ends - 1) / 2) * 14;
  };
  return (
    <g>
      {layout.leads.map((lead) => {
        const rail = at.get(lead.member)!;
        const x = centre(lead.column, lead.end);
        return (
          <g key={`${lead.column}-${lead.end}`}>
            <line
              x1={x}
              x2={x}
              y1={AXIS + 18}
              y2={y(rail.level)}
              stroke="var(--rule-strong)"
              strokeWidth={1.2}
            />
            <circle cx={x} cy={y(rail.level)} r={3.4} fill="var(--ink)" />
          </g>
        );
      })}
      {layout.rails.map((rail) => {
        const speed = solution?.speeds[rail.member];
        const turning = speed !== null && speed !== undefined && speed !== 0;
        const x1 = LEFT + rail.from * COLUMN + 20;
        const x2 = LEFT + rail.to * COLUMN + COLUMN - 20;
        return (
          <g key={rail.member}>
            <line
              x1={x1}
              x2={x2}
              y1={y(rail.level)}
              y2={y(rail.level)}
              stroke={turning ? 'var(--accent)' : 'var(--rule-strong)'}
              strokeWidth={turning ? 3 : 1.6}
              strokeDasharray={speed === 0 ? '5 3' : undefined}
            />
            <text
              x={x1}
              y={y(rail.level) - 5}
              fontSize={13}
              paintOrder="stroke"
              stroke="var(--sheet)"
              strokeWidth={4}
              fill="var(--ink-soft)"
            >
              {rail.name}
              {solution && <tspan fontWeight={700} fill="var(--ink)">{`  ${speedWords(speed)}`}</tspan>}
            </text>
          </g>
        );
      })}
    </g>
  );
}

function speedWords(speed: number | null | undefined): string {
  if (speed === undefined) return '';
  if (speed === null) return 'free';
  return speed === 0 ? 'stands' : `× ${speed.toFixed(2)}`;
}

function DeviceView({
  device,
  x,
  mark,
  active,
  onSelect,
}: {
  device: Device;
  x: number;
  mark: DeviceMark;
  active: boolean;
  onSelect?: (d: Device) => void;
}) {
  const label =
    device.kind === 'element'
      ? device.element.short
      : device.kind === 'gearset'
        ? device.name.replace(' planetary', ' set')
        : device.name;
  const said = [
    device.name,
    mark.out && 'out',
    mark.suspect && 'suspected',
    mark.condition && `found ${mark.condition}`,
    active && 'carries',
  ]
    .filter(Boolean)
    .join(', ');
  const press = onSelect && {
    role: 'button',
    tabIndex: 0,
    'aria-label': said,
    onClick: () => onSelect(device),
    onKeyDown: (event: React.KeyboardEvent) => {
      if (event.key === 'Enter' || event.key === ' ') {
        event.preventDefault();
        onSelect(device);
      }
    },
  };
  return (
    <g transform={`translate(${x} 0)`} {...press}>
      <rect
        x={2}
        y={TOP - 10}
        width={COLUMN - 4}
        height={AXIS + 22 - TOP + 10}
        fill={mark.current ? 'var(--accent-wash)' : 'transparent'}
      />
      {mark.suspect && (
        <rect
          x={5}
          y={TOP - 6}
          width={COLUMN - 10}
          height={AXIS - TOP + 5}
          fill="none"
          stroke="var(--warn)"
          strokeWidth={2.4}
          strokeDasharray="3 4"
        />
      )}
      <g transform={`translate(${(COLUMN - 66) / 2} ${TOP})`} opacity={mark.out ? 0.5 : 1}>
        <Glyph device={device} active={active} />
      </g>
      <ConditionMark mark={mark} />
      <text
        x={COLUMN / 2}
        y={AXIS + 16}
        fontSize={14}
        fontWeight={650}
        textAnchor="middle"
        fill={active ? 'var(--accent)' : 'currentColor'}
      >
        {label}
      </text>
    </g>
  );
}

/** Sound: open ring with a tick. Worn: half-filled diamond. Failed: a filled square with a cross. */
function ConditionMark({ mark }: { mark: DeviceMark }) {
  if (!mark.condition) return null;
  const shapes = {
    sound: (
      <g>
        <circle r={9} fill="var(--sheet)" stroke="var(--good)" strokeWidth={2} />
        <path d="M-4 0 -1 4 5 -4" fill="none" stroke="var(--good)" strokeWidth={2.2} />
      </g>
    ),
    worn: <path d="M0 -11 11 0 0 11 -11 0Z" fill="var(--warn-wash)" stroke="var(--warn)" strokeWidth={2} />,
    failed: (
      <g>
        <rect x={-10} y={-10} width={20} height={20} fill="var(--bad)" />
        <path d="M-5 -5 5 5M5 -5 -5 5" stroke="var(--sheet)" strokeWidth={2.6} />
      </g>
    ),
  };
  return <g transform={`translate(${COLUMN - 16} ${AXIS - 10})`}>{shapes[mark.condition]}</g>;
}
