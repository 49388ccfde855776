'use client';
import { useMemo } from 'react';
import styled from 'styled-components';
import type { Fault } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import { HEIGHT, LABEL, ladder, PAD } from './ladder-layout';

const Drawing = styled.svg`
  display: block;
  width: 100%;
  max-width: 380px;
  height: auto;
  text {
    font-family: var(--body);
    font-stretch: 90%;
    font-size: 13px;
    fill: currentColor;
  }
  g[data-member]:hover text {
    fill: var(--accent);
  }
`;

const WIDTH = 380;
const RAIL = 52;

/** Speeds of all members as rungs of a ladder, per turn of the input; those that float are named below it. */
export function SpeedLadder(props: {
  unit: UnitDefinition;
  gear: string;
  faults: Fault[];
  onPoint?: (member: string | null) => void;
}) {
  const { unit, gear, faults, onPoint } = props;
  const { rungs, floating, y } = useMemo(() => ladder(unit, gear, faults), [unit, gear, faults]);
  return (
    <figure aria-label="Speeds per turn of the input">
      <Drawing
        viewBox={`0 0 ${WIDTH} ${HEIGHT + PAD * 2}`}
        role="img"
        aria-label={rungs.map((r) => `${r.name} ${r.speed.toFixed(2)}`).join(', ')}
      >
        <path
          d={`M${RAIL} ${PAD}V${HEIGHT + PAD}M${RAIL + 34} ${PAD}V${HEIGHT + PAD}`}
          stroke="var(--rule-strong)"
          strokeWidth={2.4}
        />
        <path
          d={`M${RAIL - 6} ${y(0)}H${RAIL + 40}`}
          stroke="currentColor"
          strokeWidth={1.4}
          strokeDasharray="2 3"
        />
        {rungs.map((r) => (
          <g
            key={r.id}
            data-member={r.id}
            onPointerEnter={() => onPoint?.(r.id)}
            onPointerLeave={() => onPoint?.(null)}
          >
            <path
              d={`M${RAIL} ${y(r.speed)}H${RAIL + 34}L${RAIL + 56} ${r.label}`}
              fill="none"
              stroke={r.main ? 'var(--accent)' : 'currentColor'}
              strokeWidth={r.main ? 4 : 2}
              strokeLinejoin="round"
            />
            <text
              x={RAIL - 10}
              y={y(r.speed) + 4}
              textAnchor="end"
              fontWeight={650}
              visibility={r.first ? 'visible' : 'hidden'}
            >
              {r.speed.toFixed(2)}
            </text>
            <text x={RAIL + 61} y={r.label + 4.5} fontWeight={r.main ? 650 : 400}>
              {r.name}
            </text>
            <rect x={RAIL} y={r.label - LABEL / 2} width={WIDTH - RAIL} height={LABEL} fill="transparent" />
          </g>
        ))}
      </Drawing>
      {floating.length > 0 && <figcaption>Free to turn: {floating.join(', ')}</figcaption>}
    </figure>
  );
}
