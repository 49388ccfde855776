'use client';
import { useRef, useState } from 'react';
import styled from 'styled-components';

const Grip = styled.g`
  cursor: ew-resize;
  touch-action: none;
  outline: none;
  rect {
    fill: transparent;
  }
  rect + rect {
    stroke: var(--ink);
    fill: var(--sheet);
  }
  &:hover rect + rect,
  &:focus-visible rect + rect {
    stroke: var(--accent);
    stroke-width: 3;
  }
`;

interface Props {
  name: string;
  /** Where the stack ends with so many frictions, by count from 0 up; as the drawing measures. */
  edges: readonly number[];
  built: number;
  found: number;
  height: number;
  /** While the hand is on it, and once it has let go: null where it was torn away. */
  onMove: (count: number) => void;
  onDone: (count: number | null) => void;
}

/** The end of the stack: pushed along to as many frictions as were found. */
export function CountGrip({ name, edges, built, found, height, onMove, onDone }: Props) {
  const grip = useRef<SVGGElement>(null);
  // Null: no hand is on it; false: one is, and has not moved it.
  const [held, setHeld] = useState<number | false | null>(null);
  const most = edges.length - 1;
  const at = edges[Math.min(found, most)]!;
  const under = (event: React.PointerEvent) => {
    const svg = grip.current!.ownerSVGElement!;
    const x = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse()).x;
    const off = edges.map((edge) => Math.abs(edge - x));
    return off.indexOf(Math.min(...off));
  };
  const onKey = (event: React.KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1 }[event.key];
    if (by === undefined) return;
    event.preventDefault();
    onDone(Math.max(0, Math.min(most, found + by)));
  };
  return (
    <Grip
      ref={grip}
      role="slider"
      tabIndex={0}
      aria-label={`Frictions found, ${name}`}
      aria-valuemin={0}
      aria-valuemax={most}
      aria-valuenow={found}
      aria-valuetext={found === built ? `${found}, as built` : `${found} of ${built}`}
      onKeyDown={onKey}
      onPointerDown={(event) => {
        grip.current!.setPointerCapture(event.pointerId);
        setHeld(false);
      }}
      onPointerMove={(event) => {
        if (held === null) return;
        const count = under(event);
        if (count === (held === false ? found : held)) return;
        onMove(count);
        setHeld(count);
      }}
      onPointerUp={() => {
        if (typeof held === 'number') onDone(held);
        setHeld(null);
      }}
      onPointerCancel={() => {
        if (typeof held === 'number') onDone(null);
        setHeld(null);
      }}
    >
      <rect x={at - 16} width={32} height={height} />
      <rect x={at - 8} y={1} width={16} height={height - 2} rx={2} strokeWidth={1.5} />
      <path
        d={`M${at - 3} 7V${height - 7}M${at + 3} 7V${height - 7}`}
        stroke="var(--ink)"
        strokeWidth={1.5}
      />
      {found !== built && (
        <text x={at + 13} y={17} fontWeight={700}>
          {found} of {built}
        </text>
      )}
    </Grip>
  );
}
