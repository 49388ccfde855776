'use client';
import { memo, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { stateFromValues, valueOf } from '@/core/case';
import { faceSlot, PATTERN_WORDS, readPack } from '@/core/evidence';
import type { Face, PlateReading } from '@/core/evidence';
import type { Element } from '@/core/unit';
import { SlotNumber } from '@/ui/job/fields';
import { useBench, useSlots } from '@/ui/job/provider';
import { Button, Caption, Line, Stack } from '@/ui/system';
import { FacePatterns, faceFill } from './face-patterns';
import { BRUSHES, brushOf, gradeFor } from './palette';
import type { Brush } from './palette';

const Palette = styled.div`
  display: grid;
  grid-template-columns: repeat(9, minmax(0, 1fr));
  gap: 4px;
`;
const Swatch = styled.button`
  display: grid;
  grid-template-rows: 26px auto;
  gap: 4px;
  min-height: 72px;
  padding: 4px 4px 6px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  font-size: 0.8125rem;
  font-stretch: 80%;
  line-height: 1.15;
  text-align: center;
  cursor: pointer;
  svg {
    width: 100%;
    height: 26px;
  }
  &[aria-pressed='true'] {
    border-color: var(--accent);
    background: var(--accent-wash);
    box-shadow: inset 0 -4px 0 var(--accent);
    font-weight: 650;
  }
  kbd {
    font: inherit;
    font-weight: 700;
  }
`;
const Drawing = styled.svg`
  display: block;
  width: 100%;
  height: auto;
  touch-action: none;
  user-select: none;
  background: var(--inset);
  text {
    font-family: var(--body);
    font-stretch: 84%;
    fill: var(--ink-soft);
  }
  &:focus-visible {
    outline: 3px solid var(--accent);
  }
`;

interface Place {
  plate: number;
  face: Face;
}

const PLATE = { friction: 44, steel: 38, backing: 56, wave: 24 } as const;
const HEIGHT = 190;

/**
 * The pack edge-on, piston left, backing plate right. Choose a condition, then drag over faces; or move with the arrow
 * keys and press its number. Every face saves itself.
 */
export const PackEditor = memo(function PackEditor({ element }: { element: Element }) {
  const { writeMany } = useBench();
  const prefix = `plate.${element.id}.`;
  const graded = useSlots(prefix);
  const state = useMemo(
    () => stateFromValues(Object.fromEntries(graded.map(([face, grade]) => [`${prefix}${face}`, grade]))),
    [graded, prefix],
  );
  const [brush, setBrush] = useState<Brush>(BRUSHES[0]!);
  const [at, setAt] = useState<Place>({ plate: firstPlate(element), face: 'a' });
  const painting = useRef<Set<string> | null>(null);
  const reading = readPack(state, element);

  const paint = (places: Place[], with_: Brush) => {
    const writes = places.flatMap(({ plate, face }): [string, string | null][] => {
      const kind = reading.plates[plate]!.kind;
      const slot = faceSlot(element.id, plate, face);
      const grade = gradeFor(with_, kind);
      return kind === 'wave' || (valueOf(state, slot) ?? null) === grade ? [] : [[slot, grade]];
    });
    if (writes.length) writeMany(writes);
  };
  const faces = facesOf(reading.plates);
  const onKey = (event: React.KeyboardEvent) => {
    const here = faces.findIndex((f) => f.plate === at.plate && f.face === at.face);
    const move = (by: number) => setAt(faces[Math.max(0, Math.min(faces.length - 1, here + by))]!);
    const chosen = BRUSHES.find((b) => b.key === event.key);
    if (event.key === 'ArrowRight') move(1);
    else if (event.key === 'ArrowLeft') move(-1);
    else if (event.key === 'Home') move(-faces.length);
    else if (event.key === 'End') move(faces.length);
    else if (chosen) {
      paint([at], chosen);
      setBrush(chosen);
      move(1);
    } else if (event.key === 'Enter' || event.key === ' ') paint([at], brush);
    else return;
    event.preventDefault();
  };
  const over = (place: Place) => {
    const key = `${place.plate}${place.face}`;
    if (!painting.current || painting.current.has(key)) return;
    painting.current.add(key);
    paint([place], brush);
    setAt(place);
  };
  const selected = reading.plates[at.plate]!;
  return (
    <Stack $gap={10}>
      <Palette role="group" aria-label="Condition to paint">
        {BRUSHES.map((b) => (
          <Swatch key={b.key} type="button" aria-pressed={b === brush} onClick={() => setBrush(b)}>
            <svg viewBox="0 0 60 26" aria-hidden preserveAspectRatio="none">
              <FacePatterns id={`swatch-${b.key}`} />
              <rect
                width="30"
                height="26"
                fill={faceFill(b, 'friction', `swatch-${b.key}`)}
                stroke="var(--ink)"
              />
              <rect
                x="30"
                width="30"
                height="26"
                fill={faceFill(b, 'steel', `swatch-${b.key}`)}
                stroke="var(--ink)"
              />
            </svg>
            <span>
              <kbd>{b.key}</kbd> {b.label}
            </span>
          </Swatch>
        ))}
      </Palette>
      <PlateDrawing
        element={element}
        plates={reading.plates}
        at={at}
        onKey={onKey}
        onDown={(place) => {
          painting.current = new Set();
          over(place);
        }}
        onOver={over}
        onUp={() => (painting.current = null)}
      />
      <Line>
        <Button onPress={() => paint(faces, brush)}>All alike: {brush.label.toLowerCase()}</Button>
        <Button
          onPress={() =>
            paint(
              faces.filter((f) => reading.plates[f.plate]!.kind === 'friction'),
              brush,
            )
          }
        >
          All linings
        </Button>
        <Button
          onPress={() =>
            paint(
              faces.filter((f) => reading.plates[f.plate]!.kind !== 'friction'),
              brush,
            )
          }
        >
          All steels
        </Button>
        <div style={{ width: 210, marginLeft: 'auto' }}>
          <SlotNumber
            key={at.plate}
            slot={`thickness.${element.id}.${at.plate}`}
            label={`Thickness, ${selected.name}`}
            unit="mm"
            min={0.2}
            max={12}
            description={`New: ${thicknessMm(element, selected)} mm`}
          />
        </div>
      </Line>
      <Caption role="status">
        {reading.inspected} of {reading.faces} faces looked at.{' '}
        {reading.pattern ? PATTERN_WORDS[reading.pattern] : ''}
      </Caption>
    </Stack>
  );
});

function PlateDrawing(props: {
  element: Element;
  plates: PlateReading[];
  at: Place;
  onKey: (event: React.KeyboardEvent) => void;
  onDown: (place: Place) => void;
  onOver: (place: Place) => void;
  onUp: () => void;
}) {
  const { plates, at } = props;
  const lefts = plates.reduce<number[]>((list, p) => [...list, list.at(-1)! + PLATE[p.kind] + 5], [54]);
  const width = lefts.at(-1)! + 34;
  const gradeNow = plates[at.plate]!.faces[at.face];
  const id = `pack-${props.element.id}`;
  return (
    <Drawing
      viewBox={`0 0 ${width} ${HEIGHT + 34}`}
      tabIndex={0}
      role="application"
      aria-roledescription="pack editor"
      aria-label={`${props.element.name}: ${plates[at.plate]!.name}, ${at.face === 'a' ? 'piston' : 'backing'} side, ${gradeNow ?? 'not inspected'}. Arrow keys move, number keys paint.`}
      onKeyDown={props.onKey}
      onPointerUp={props.onUp}
      onPointerLeave={props.onUp}
    >
      <FacePatterns id={id} />
      <path d={`M10 16H30V${HEIGHT - 20}H10`} fill="none" stroke="var(--ink)" strokeWidth={2.5} />
      <rect x={30} y={44} width={14} height={HEIGHT - 92} fill="var(--steel)" stroke="var(--ink)" />
      <text x={8} y={HEIGHT + 8} fontSize={12}>
        Piston
      </text>
      {plates.map((plate, k) => {
        const x = lefts[k]!;
        const w = PLATE[plate.kind];
        const [top, bottom] = plate.kind === 'friction' ? [34, HEIGHT - 6] : [14, HEIGHT - 26];
        if (plate.kind === 'wave') {
          return (
            <path
              key={k}
              d={`M${x + 4} ${top} q16 ${(bottom - top) / 6} 0 ${(bottom - top) / 3} t0 ${(bottom - top) / 3} t0 ${(bottom - top) / 3}`}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={3}
            />
          );
        }
        return (
          <g key={k}>
            {(['a', 'b'] as const).map((face, side) => (
              <rect
                key={face}
                data-face={`${plate.index}${face}`}
                data-grade={plate.faces[face] ?? ''}
                x={x + (side * w) / 2}
                y={top}
                width={w / 2}
                height={bottom - top}
                fill={faceFill(brushOf(plate.faces[face], plate.kind), plate.kind, id)}
                stroke="var(--ink)"
                strokeWidth={1}
                style={{ cursor: 'crosshair' }}
                onPointerDown={(event) => {
                  (event.target as SVGElement).releasePointerCapture(event.pointerId);
                  props.onDown({ plate: plate.index, face });
                }}
                onPointerEnter={() => props.onOver({ plate: plate.index, face })}
              />
            ))}
            <rect
              x={x}
              y={top}
              width={w}
              height={bottom - top}
              fill="none"
              stroke="var(--ink)"
              strokeWidth={2}
              pointerEvents="none"
            />
            {plate.index === at.plate && (
              <rect
                x={x + (at.face === 'b' ? w / 2 : 0) - 2}
                y={top - 5}
                width={w / 2 + 4}
                height={bottom - top + 10}
                fill="none"
                stroke="var(--accent)"
                strokeWidth={4}
                pointerEvents="none"
              />
            )}
            <text
              x={x + w / 2}
              y={HEIGHT + (plate.kind === 'friction' ? 24 : 8)}
              fontSize={12}
              textAnchor="middle"
            >
              {plate.kind === 'friction'
                ? `F${plate.name.slice(-1)}`
                : plate.kind === 'steel'
                  ? `S${plate.name.slice(-1)}`
                  : 'Backing'}
            </text>
          </g>
        );
      })}
    </Drawing>
  );
}

function facesOf(plates: PlateReading[]): Place[] {
  return plates
    .filter((p) => p.kind !== 'wave')
    .flatMap((p): Place[] => [
      { plate: p.index, face: 'a' },
      { plate: p.index, face: 'b' },
    ]);
}

function firstPlate(element: Element): number {
  return element.pack!.order.findIndex((kind) => kind !== 'wave');
}

function thicknessMm(element: Element, plate: PlateReading): string {
  const metres = plate.kind === 'friction' ? element.pack!.frictionThickness : element.pack!.steelThickness;
  return (metres * 1000).toFixed(2);
}
