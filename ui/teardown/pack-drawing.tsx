'use client';
import { useEffect, useRef } from 'react';
import styled from 'styled-components';
import type { PlateReading, Side } from '@/core/inspection';
import type { PlateKind } from '@/core/unit';
import { CountGrip } from './count-grip';
import { FacePatterns } from './face-patterns';
import { HEIGHT, Plate } from './pack-plate';
import type { Face, Place } from './pack-plate';

const Frame = styled.div`
  overflow-x: auto;
  background: var(--inset);
`;
/** A finger paints on the faces; on the names below them it pushes the pack along. */
const Drawing = styled.svg`
  display: block;
  touch-action: none;
  user-select: none;
  &:focus-visible {
    outline: 3px solid var(--accent);
    outline-offset: -3px;
  }
`;

const Names = styled.svg`
  display: block;
  user-select: none;
  text {
    font-family: var(--body);
    font-stretch: 84%;
    fill: var(--ink-soft);
  }
  g {
    cursor: pointer;
  }
`;

const WIDTH: Record<PlateKind, number> = { friction: 52, steel: 48, backing: 60, wave: 26 };
const GAP = 3;
const LEFT = 40;
/** Room for the end of a stack with more in it than was built. */
const RIGHT = 74;
const EXTRA = 3;
const NAMES = 26;
/** Width the drawing has on a usual screen. */
const PLACE = 840;
/** A face is never narrower than a fingertip can mark, px. */
const LEAST_FACE = 24;

interface Props {
  name: string;
  id: string;
  plates: readonly PlateReading[];
  /** Level of a layer on a face, for what lies over its heat. */
  over: (place: Place) => { grade?: string; metal?: string; loose?: boolean };
  at: Place;
  /** What is told of the face at hand, for those who do not see it. */
  said: string;
  /** How much wider than to fit. */
  close: boolean;
  /** Frictions found; null as long as nobody has counted. */
  found: number | null;
  onPush: (count: number) => void;
  onCount: (count: number | null) => void;
  onKey: (event: React.KeyboardEvent) => void;
  onDown: (place: Place) => void;
  onOver: (place: Place) => void;
  onUp: () => void;
  /** A plate is at hand, none of its faces painted. */
  onPlate: (plate: number) => void;
}

/** The pack edge-on, piston left, backing plate right; every plate with its two faces. */
export function PackDrawing(props: Props) {
  const { plates, at, id } = props;
  const k = stretch(plates);
  const lefts = [LEFT];
  for (const plate of plates) lefts.push(lefts.at(-1)! + WIDTH[plate.kind] * k + GAP);
  const width = lefts.at(-1)! + RIGHT;
  const svg = useRef<SVGSVGElement>(null);
  useEffect(() => {
    const face = svg.current?.querySelector(`[data-face="${at.plate}${at.side}"]`);
    if (document.activeElement === svg.current) face?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [at]);
  const wide = props.close ? width * 1.6 : `max(100%, ${leastWidth(width, k)}px)`;
  const missing = missingFrom(plates, props.found);
  const built = plates.filter((p) => p.kind === 'friction').length;
  return (
    <Frame>
      <Drawing
        ref={svg}
        viewBox={`0 0 ${width} ${HEIGHT}`}
        style={{ width: wide }}
        tabIndex={0}
        role="application"
        aria-roledescription="pack editor"
        aria-label={`${props.name}: ${props.said} Arrow keys move, number keys paint.`}
        onKeyDown={props.onKey}
        onPointerUp={props.onUp}
        onPointerLeave={props.onUp}
      >
        <FacePatterns id={id} />
        <path d={`M6 10H20V${HEIGHT - 14}H6`} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
        <rect x={20} y={34} width={12} height={HEIGHT - 72} fill="var(--steel)" stroke="var(--ink)" />
        {plates.map((plate, i) => (
          <Plate
            key={plate.index}
            id={id}
            index={plate.index}
            kind={plate.kind}
            x={lefts[i]!}
            w={WIDTH[plate.kind] * k}
            gone={missing.has(plate.index)}
            here={plate.index === at.plate ? at.side : null}
            a={faceOf(plate, 'a', props.over)}
            b={faceOf(plate, 'b', props.over)}
            onDown={props.onDown}
            onOver={props.onOver}
          />
        ))}
      </Drawing>
      <Names viewBox={`0 0 ${width} ${NAMES}`} style={{ width: wide }} fontSize={12}>
        <text x={4} y={20}>
          Piston
        </text>
        {plates.map(
          (plate, i) =>
            plate.kind !== 'wave' && (
              <g key={plate.index} data-plate={plate.index} onPointerDown={() => props.onPlate(plate.index)}>
                <rect x={lefts[i]} width={WIDTH[plate.kind] * k} height={NAMES} fill="transparent" />
                <text
                  x={lefts[i]! + (WIDTH[plate.kind] * k) / 2}
                  y={plate.kind === 'friction' ? 20 : 9}
                  fontWeight={plate.index === at.plate ? 700 : 400}
                  textAnchor="middle"
                >
                  {missing.has(plate.index) ? '' : labelOf(plate)}
                </text>
              </g>
            ),
        )}
        <CountGrip
          name={props.name}
          edges={edgesOf(plates, lefts)}
          built={built}
          found={props.found ?? built}
          height={NAMES}
          onMove={props.onPush}
          onDone={props.onCount}
        />
      </Names>
    </Frame>
  );
}

/** Few plates are drawn wider, so that every pack fills its place and none is taller than another. */
function stretch(plates: readonly PlateReading[]): number {
  const own = plates.reduce((sum, p) => sum + WIDTH[p.kind], 0);
  return Math.max(1, Math.min(1.9, (PLACE - LEFT - RIGHT - GAP * plates.length) / own));
}

/** As drawn, the narrowest face is that of a steel. */
function leastWidth(width: number, k: number): number {
  return Math.ceil((width * LEAST_FACE) / ((WIDTH.steel * k) / 2));
}

/** Plates drawn as not there: the last frictions, with the steel before each, beyond the count that was found. */
function missingFrom(plates: readonly PlateReading[], found: number | null): Set<number> {
  const frictions = plates.filter((p) => p.kind === 'friction');
  if (found === null || found >= frictions.length) return new Set();
  return new Set(frictions.slice(found).flatMap((p) => [p.index, p.index - 1]));
}

/** Where the stack ends with none, one, two ... frictions in it, and with some more than were built. */
function edgesOf(plates: readonly PlateReading[], lefts: readonly number[]): number[] {
  const frictions = plates.filter((p) => p.kind === 'friction').map((p) => p.index);
  const last = frictions.at(-1)!;
  const end = lefts[last + 1]! - GAP / 2;
  return [
    ...frictions.map((index) => lefts[Math.max(0, index - 1)]! - GAP / 2),
    end,
    ...Array.from({ length: EXTRA }, (_, k) => lefts.at(-1)! + k * 16),
  ];
}

/** "F2", "S1", "Backing". */
function labelOf({ kind, name }: PlateReading): string {
  return kind === 'backing' ? 'Backing' : `${kind.charAt(0).toUpperCase()}${name.split(' ')[1]}`;
}

const faceOf = (plate: PlateReading, side: Side, over: Props['over']): Face => ({
  severity: plate.faces[side],
  ...over({ plate: plate.index, side }),
});
