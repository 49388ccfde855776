'use client';
import styled from 'styled-components';
import { FacePatterns, faceFill } from './face-patterns';
import { bandLugs, bandShapes, DRUM, HALF, pinionShapes, RING, SUN } from './place-shapes';

/** A finger paints here; beside it the page is pushed along. */
const Drawing = styled.svg`
  display: block;
  width: 100%;
  max-width: 236px;
  background: var(--inset);
  touch-action: none;
  user-select: none;
  text {
    font-family: var(--body);
    font-size: 12px;
    font-stretch: 84%;
    fill: var(--ink-soft);
  }
  &:focus-visible {
    outline: 3px solid var(--accent);
    outline-offset: -3px;
  }
`;

interface Props {
  kind: 'band' | 'planetary';
  name: string;
  id: string;
  places: readonly {
    id: string;
    words: string;
    layers: readonly { severity: number | 'cannot-tell' | null; kind: 'friction' | 'steel' }[];
  }[];
  at: number;
  said: string;
  onKey: (event: React.KeyboardEvent) => void;
  onDown: (index: number) => void;
  onOver: (index: number) => void;
  onUp: () => void;
}

/** A planetary from the end, or a band around its drum: each place with what was found there. */
export function PlaceDrawing(props: Props) {
  const { kind, places, at, id } = props;
  const shapes =
    kind === 'band' ? bandShapes(places.length) : pinionShapes(places.length, places[0]!.layers.length);
  return (
    <Drawing
      viewBox={`${-HALF - 10} ${-HALF} ${2 * HALF + 20} ${2 * HALF - 6}`}
      tabIndex={0}
      role="application"
      aria-roledescription="picture editor"
      aria-label={`${props.name}: ${props.said} Arrow keys move, number keys paint.`}
      onKeyDown={props.onKey}
      onPointerUp={props.onUp}
      onPointerLeave={props.onUp}
    >
      <FacePatterns id={id} />
      {kind === 'band' ? <Around /> : <Gears />}
      {places.map((place, k) => (
        <g key={place.id}>
          {shapes[k]!.layers.map((d, l) => (
            <path
              key={l}
              d={d}
              fillRule="evenodd"
              fill={faceFill(place.layers[l]!.severity, place.layers[l]!.kind, id)}
              stroke="var(--ink)"
              strokeWidth={1.25}
            />
          ))}
          {k === at && (
            <path d={shapes[k]!.layers.at(-1)} fill="none" stroke="var(--accent)" strokeWidth={4} />
          )}
          <path
            data-place={place.id}
            data-grade={place.layers.map((l) => l.severity ?? '-').join(' ')}
            d={shapes[k]!.layers.join('')}
            fill="transparent"
            style={{ cursor: 'crosshair' }}
            onPointerDown={(event) => {
              (event.target as SVGElement).releasePointerCapture(event.pointerId);
              props.onDown(k);
            }}
            onPointerEnter={() => props.onOver(k)}
          >
            <title>{place.words}</title>
          </path>
        </g>
      ))}
    </Drawing>
  );
}

/** Sun and ring, the first pinion on top. */
function Gears() {
  return (
    <g fill="none" stroke="var(--ink)">
      <circle r={RING + 5} strokeWidth={7} stroke="var(--steel)" />
      <circle r={RING} strokeWidth={4} strokeDasharray="4 3.5" />
      <circle r={RING + 8} strokeWidth={1.5} />
      <circle r={SUN - 3} fill="var(--steel)" strokeWidth={1.5} />
      <circle r={SUN} strokeWidth={4} strokeDasharray="4 3.5" />
      <text textAnchor="middle" y={-RING - 11} stroke="none" fontWeight={700}>
        1
      </text>
    </g>
  );
}

/** The drum in the band, and the lugs its ends are held and pushed at. */
function Around() {
  return (
    <g stroke="var(--ink)" strokeWidth={1.5}>
      <circle r={DRUM} fill="var(--steel)" />
      <circle r={DRUM - 10} fill="var(--inset)" />
      {bandLugs().map(({ x, y, turn }, k) => (
        <g key={turn}>
          <rect
            x={-8}
            y={-7}
            width={16}
            height={14}
            fill="var(--steel)"
            transform={`translate(${x} ${y}) rotate(${turn})`}
          />
          <text x={x + (k ? -14 : 14)} y={y - 10} textAnchor={k ? 'end' : 'start'} stroke="none">
            {k ? 'Servo' : 'Anchor'}
          </text>
        </g>
      ))}
    </g>
  );
}
