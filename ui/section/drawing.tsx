'use client';
import { memo, useMemo } from 'react';
import styled from 'styled-components';
import type { Fault } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import { Case } from './case';
import { DeviceView } from './device-view';
import type { Flow, MemberState } from './flow';
import { sectionOf } from './section';
import type { Body, Section } from './section';
import type { Device } from './device';
import { JointMarks } from './joints';

/** What the drawing says of one device. Condition has a shape of its own, besides its colour. */
export interface DeviceMark {
  condition?: 'sound' | 'worn' | 'failed';
  suspect?: boolean;
  out?: boolean;
  current?: boolean;
  /** What the scope does here: something is renewed, or worked on and put back. */
  scope?: 'renewed' | 'worked';
  /** What went through the unit was seen here, or must have come by. */
  spread?: 'seen' | 'reached';
}

const Drawing = styled.figure`
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 2px 8px;
  color: var(--ink);
  overflow-x: auto;
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
  @media print {
    border: 0;
    svg {
      min-width: 0 !important;
      max-height: 120mm;
    }
  }
`;

interface Props {
  unit: UnitDefinition;
  marks: Record<string, DeviceMark>;
  /** Where torque runs, and what is wrong: worked out by whoever shows a gear, the drawing knows no mechanics. */
  flow?: Flow | null;
  faults?: Fault[];
  /** A member to point out. */
  member?: string | null;
  /** A picture in a list: no labels, as small as it gets. */
  small?: boolean;
  onSelect?: (device: Device) => void;
  /** Called with a part whose break would cut the joint that was touched. */
  onBreak?: (part: string) => void;
}

const NO_FAULTS: Fault[] = [];

/** The section of this unit, drawn from its definition: converter left, output right. */
export const UnitSection = memo(function UnitSection({
  unit,
  marks,
  flow = null,
  faults = NO_FAULTS,
  member,
  small,
  onSelect,
  onBreak,
}: Props) {
  const section = useMemo(() => sectionOf(unit), [unit]);
  const { width, height } = section;
  return (
    <Drawing aria-label={`${unit.name} in section, converter left, output right`}>
      <svg
        viewBox={`0 0 ${width} ${small ? height - 24 : height}`}
        role="group"
        aria-label="Unit"
        style={{ minWidth: small ? 0 : Math.min(width * 0.72, 1100) }}
      >
        <Patterns />
        <Case section={section} />
        {section.axes.map((axis) => (
          <line
            key={axis.y}
            x1={2}
            x2={width - 2}
            y1={axis.y}
            y2={axis.y}
            stroke="var(--rule-strong)"
            strokeDasharray="16 4 3 4"
          />
        ))}
        {section.fixed.map((body, k) => (
          <Solid key={k} body={body} section={section} fill="url(#section-case)" />
        ))}
        {section.bodies
          .map((body) => ({ body, state: flow?.members.get(body.member) ?? null }))
          .sort((a, b) => Number(isLit(a.state)) - Number(isLit(b.state)))
          .map(({ body, state }) => (
            <Solid
              key={body.member}
              body={body}
              section={section}
              fill={FILL[state ?? 'turns']}
              dashed={state === 'floats'}
              pointed={body.member === member}
              title={unit.members.find((m) => m.id === body.member)?.name}
            />
          ))}
        {section.placed.map((placed) => (
          <DeviceView
            key={placed.device.id}
            placed={placed}
            section={section}
            flow={flow}
            mark={marks[placed.device.id] ?? NO_MARK}
            fault={faultOn(faults, placed.device.id)}
            plain={small}
            onSelect={onSelect}
          />
        ))}
        <JointMarks unit={unit} section={section} faults={faults} onBreak={onBreak} />
      </svg>
    </Drawing>
  );
});

const NO_MARK: DeviceMark = {};
const FILL: Record<MemberState, string> = {
  carries: 'var(--accent)',
  holds: 'url(#section-held)',
  turns: 'var(--steel)',
  stands: 'var(--sheet)',
  floats: 'var(--sheet)',
};

function isLit(state: MemberState | null): boolean {
  return state === 'carries' || state === 'holds';
}

function faultOn(faults: Fault[], device: string): Fault['kind'] | null {
  return (
    faults.find((f) => ('element' in f ? f.element : 'gearset' in f ? f.gearset : null) === device)?.kind ??
    null
  );
}

/** One member in one piece: outlines first, then fills, so that its blocks grow together. */
function Solid(props: {
  body: Body;
  section: Section;
  fill: string;
  dashed?: boolean;
  pointed?: boolean;
  title?: string;
}) {
  const { body, section } = props;
  const axis = section.axes[body.axis]!;
  const halves = section.parallel ? [1, -1] : [1];
  const edge = props.pointed ? 2.6 : 1.1;
  const rects = halves.flatMap((half) =>
    body.blocks.map((b) => ({
      x: b.x,
      width: b.width,
      y: half > 0 ? axis.y - b.r - b.height : axis.y + b.r,
      height: b.height,
    })),
  );
  return (
    <g>
      {props.title && <title>{props.title}</title>}
      {rects.map((r, k) => (
        <rect
          key={k}
          {...r}
          fill="none"
          stroke={props.pointed ? 'var(--accent)' : 'var(--sheet)'}
          strokeWidth={props.pointed ? edge * 2 + 3 : edge * 2 + 3}
        />
      ))}
      {rects.map((r, k) => (
        <rect
          key={k}
          {...r}
          fill="none"
          stroke="currentColor"
          strokeWidth={edge * 2}
          strokeDasharray={props.dashed ? '3 3' : undefined}
        />
      ))}
      {rects.map((r, k) => (
        <rect key={k} {...r} fill="var(--sheet)" />
      ))}
      {rects.map((r, k) => (
        <rect key={k} {...r} fill={props.fill} />
      ))}
    </g>
  );
}

/** Hatches: the case, torque held without turning, and what floats in the oil. */
function Patterns() {
  return (
    <defs>
      <pattern
        id="section-case"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <rect width="6" height="6" fill="var(--sheet)" />
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--hatch)" strokeWidth="2" />
      </pattern>
      <pattern
        id="section-held"
        width="6"
        height="6"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(-45)"
      >
        <rect width="6" height="6" fill="var(--accent-wash)" />
        <line x1="0" y1="0" x2="0" y2="6" stroke="var(--accent)" strokeWidth="3.4" />
      </pattern>
      <pattern id="section-reached" width="11" height="11" patternUnits="userSpaceOnUse">
        <circle cx="3" cy="3" r="1.3" fill="var(--warn)" />
        <circle cx="8.5" cy="8.5" r="1" fill="var(--warn)" />
      </pattern>
      <pattern id="section-seen" width="7" height="7" patternUnits="userSpaceOnUse">
        <circle cx="2" cy="2" r="1.5" fill="var(--warn)" />
        <circle cx="5.5" cy="5.5" r="1.5" fill="var(--warn)" />
      </pattern>
    </defs>
  );
}
