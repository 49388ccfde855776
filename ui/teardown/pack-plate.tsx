'use client';
import isEqual from 'fast-deep-equal';
import { memo } from 'react';
import type { FaceReading, Side } from '@/core/inspection';
import type { PlateKind } from '@/core/unit';
import { faceFill } from './face-patterns';

export const HEIGHT = 148;

/** A face of a plate. */
export interface Place {
  plate: number;
  side: Side;
}

/** How a face is drawn: its heat, and what lies over it. */
export interface Face {
  severity: FaceReading | null;
  grade?: string;
  metal?: string;
  loose?: boolean;
}

interface Props {
  id: string;
  onDown: (place: Place) => void;
  onOver: (place: Place) => void;
  index: number;
  kind: PlateKind;
  x: number;
  w: number;
  gone: boolean;
  here: Side | null;
  a: Face;
  b: Face;
}

/** Drawn anew only when it says something else: a press changes one plate of many. */
export const Plate = memo(function Plate(props: Props) {
  const { index, kind, x, w, gone, here, id } = props;
  const [top, bottom] = kind === 'friction' ? [26, HEIGHT - 4] : [8, HEIGHT - 20];
  const h = bottom - top;
  if (kind === 'wave')
    return (
      <path
        d={`M${x + 4} ${top} q18 ${h / 6} 0 ${h / 3} t0 ${h / 3} t0 ${h / 3}`}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={3}
      />
    );
  return (
    <g opacity={gone ? 0.3 : 1}>
      {(['a', 'b'] as const).map((side, k) => {
        const place = { plate: index, side };
        const { severity, grade, metal, loose } = props[side];
        const left = x + (k * w) / 2;
        return (
          <g key={side}>
            <rect
              data-face={`${index}${side}`}
              data-grade={grade ?? ''}
              x={left}
              y={top}
              width={w / 2}
              height={h}
              fill={faceFill(severity, kind, id)}
              stroke="var(--ink)"
              strokeWidth={1}
              style={{ cursor: 'crosshair' }}
              onPointerDown={(event) => {
                (event.target as SVGElement).releasePointerCapture(event.pointerId);
                props.onDown(place);
              }}
              onPointerEnter={() => props.onOver(place)}
            />
            {metal && (
              <rect
                x={left}
                y={top}
                width={w / 2}
                height={h}
                fill={`url(#${id}-${metal})`}
                pointerEvents="none"
              />
            )}
            {loose && (
              <path
                d={`M${left + (k ? w / 2 : 0)} ${top} q${k ? 9 : -9} ${h / 8} 0 ${h / 4} t0 ${h / 4} t0 ${h / 4} t0 ${h / 4}`}
                fill="none"
                stroke="var(--accent)"
                strokeWidth={3}
                pointerEvents="none"
              />
            )}
          </g>
        );
      })}
      <rect
        x={x}
        y={top}
        width={w}
        height={h}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2}
        strokeDasharray={gone ? '5 4' : undefined}
        pointerEvents="none"
      />
      {here && (
        <rect
          x={x + (here === 'b' ? w / 2 : 0) - 2}
          y={top - 4}
          width={w / 2 + 4}
          height={h + 8}
          fill="none"
          stroke="var(--accent)"
          strokeWidth={4}
          pointerEvents="none"
        />
      )}
    </g>
  );
}, isEqual);
