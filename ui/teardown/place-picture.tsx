'use client';
import { memo, useEffect, useMemo, useRef, useState } from 'react';
import styled from 'styled-components';
import { CANNOT_TELL, findingSlot, TAKEDOWN } from '@/core/case';
import type { Finding, Json } from '@/core/case';
import { levelWords, paintPlaces, picturePlaces } from '@/core/inspection';
import type { ByPlace, CataloguePoint, Subject } from '@/core/inspection';
import { useBench, useSlots } from '@/ui/job/provider';
import { Button, Choice, Line, Stack } from '@/ui/system';
import { FacePatterns, faceFill } from './face-patterns';
import { Palette } from './palette';
import { PlaceDrawing } from './place-drawing';

const Side = styled.div`
  display: grid;
  grid-template-columns: 236px minmax(0, 1fr);
  gap: 8px 18px;
  align-items: start;
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

interface Brush {
  key: string;
  label: string;
  is: string | null;
  severity: number | 'cannot-tell' | null;
}

const brushesOf = (point: CataloguePoint): Brush[] => {
  const own = [...point.levels.values()].map(
    ({ id, words, severity }, k): Brush => ({
      key: String(k + 1),
      label: words,
      is: id,
      severity: severity ?? 0,
    }),
  );
  const unjudged = [CANNOT_TELL, TAKEDOWN].map(
    (is, k): Brush => ({
      key: String(own.length + k + 1),
      label: is === TAKEDOWN ? 'Damaged by us' : levelWords(point, is),
      is,
      severity: 'cannot-tell',
    }),
  );
  return [...own, ...unjudged, { key: '0', label: 'Not looked at', is: null, severity: null }];
};

/** What is recorded of each point, by place. */
function useByPlace(subject: Subject, points: readonly CataloguePoint[]): ByPlace[] {
  const stored = useSlots(`${subject.slot}.`) as [string, Finding][];
  return useMemo(
    () =>
      points.map(({ point }) => {
        const own = stored.filter(([rest]) => rest === point.id || rest.startsWith(`${point.id}.`));
        return new Map(own.map(([rest, finding]) => [rest.slice(point.id.length + 1), finding]));
      }),
    [stored, points],
  );
}

/** Places that are painted, with the brush and the place at hand: by pointer, by keys, or all at once. */
function usePlacePainting(subject: Subject, points: readonly CataloguePoint[]) {
  const { writeMany, now, unit } = useBench();
  const [layerId, setLayer] = useState(points[0]!.point.id);
  const layer = points.find((p) => p.point.id === layerId)!;
  const brushes = useMemo(() => brushesOf(layer), [layer]);
  const [brushKey, setBrush] = useState('1');
  const brush = brushes.find((b) => b.key === brushKey) ?? brushes[0]!;
  const [at, setAt] = useState(0);
  const painting = useRef<Set<string> | null>(null);
  const places = picturePlaces(unit, subject, layer.point);
  const all = places.map((p) => p.id);
  const known = useByPlace(subject, points);

  const paint = (ids: readonly string[], { is }: Brush) => {
    const slotOf = (reading: string) => findingSlot(subject.slot, layer.point.id, reading || null);
    // From the record as it stands at this moment: a stroke may be faster than the drawing.
    const mine = new Map(
      ['', ...all].flatMap((reading) => {
        const finding = now(slotOf(reading)) as Finding | undefined;
        return finding ? [[reading, finding] as const] : [];
      }),
    );
    const writes = paintPlaces(places, mine, new Set(ids), is).map(([reading, finding]): [string, Json] => [
      slotOf(reading),
      finding as Json,
    ]);
    if (writes.length) writeMany(writes);
  };
  const onKey = (event: React.KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    const chosen = brushes.find((b) => b.key === event.key);
    const step = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 }[event.key];
    if (step !== undefined) setAt((at + step + places.length) % places.length);
    else if (event.key === 'Home') setAt(0);
    else if (event.key === 'm') setLayer(points[(points.indexOf(layer) + 1) % points.length]!.point.id);
    else if (event.key === 'a') paint(all, brush);
    else if (chosen) {
      paint([places[at]!.id], chosen);
      setBrush(chosen.key);
      setAt((at + 1) % places.length);
    } else if (event.key === 'Enter' || event.key === ' ') paint([places[at]!.id], brush);
    else return;
    event.preventDefault();
  };
  const over = (index: number) => {
    const { id } = places[index]!;
    if (!painting.current || painting.current.has(id)) return;
    painting.current.add(id);
    paint([id], brush);
    setAt(index);
  };
  return {
    layer,
    brushes,
    brush,
    at,
    places,
    known,
    setLayer,
    setBrush,
    onKey,
    onDown: (index: number) => {
      painting.current = new Set();
      over(index);
    },
    onOver: over,
    onUp: () => {
      painting.current = null;
    },
    onAll: () => paint(all, brush),
  };
}

/**
 * A thing with several of the same around it, pinions or stretches of a band. Choose a condition, then touch or drag
 * over the places; or move with the arrow keys and press its number.
 */
export const PlacePicture = memo(function PlacePicture(props: {
  subject: Subject;
  points: readonly CataloguePoint[];
  /** Once it is there. */
  onShown?: () => void;
}) {
  const { subject, points, onShown } = props;
  const painting = usePlacePainting(subject, points);
  const { layer, brushes, brush, at, places, known } = painting;
  useEffect(() => onShown?.(), [onShown]);
  const isAt = (k: number, place: string) => known[k]!.get(place)?.is ?? known[k]!.get('')?.is;
  const said = isAt(points.indexOf(layer), places[at]!.id);
  return (
    <Side>
      <PlaceDrawing
        kind={layer.point.picture!}
        name={subject.name}
        id={`places-${subject.ids[0]}`}
        places={places.map(({ id, words }) => ({
          id,
          words,
          layers: points.map((point, k) => severityOf(point, isAt(k, id))),
        }))}
        at={at}
        said={`${layer.point.words}, ${places[at]!.words}, ${typeof said === 'string' ? levelWords(layer, said).toLowerCase() : 'not looked at'}.`}
        onKey={painting.onKey}
        onDown={painting.onDown}
        onOver={painting.onOver}
        onUp={painting.onUp}
      />
      <Stack $gap={8}>
        <Line>
          {points.length > 1 && (
            <Choice
              label={`What to paint, ${subject.name}`}
              dense
              value={layer.point.id}
              options={points.map((p) => ({ value: p.point.id, label: p.point.words }))}
              onChange={(v) => v && painting.setLayer(v)}
            />
          )}
          <Button $small onPress={painting.onAll}>
            All alike: {brush.label.toLowerCase()}
          </Button>
        </Line>
        <Palette
          name={subject.name}
          brushes={brushes}
          value={brush}
          onChange={(b) => painting.setBrush(b.key)}
          picture={(b) => (
            <svg viewBox="0 0 60 22" aria-hidden preserveAspectRatio="none">
              <FacePatterns id={`swatch-${subject.ids[0]}-${layer.point.id}-${b.key}`} />
              <rect
                width="60"
                height="22"
                fill={faceFill(
                  b.severity,
                  materialOf(layer),
                  `swatch-${subject.ids[0]}-${layer.point.id}-${b.key}`,
                )}
                stroke="var(--ink)"
              />
            </svg>
          )}
        />
      </Stack>
    </Side>
  );
});

const materialOf = (point: CataloguePoint) => (point.point.counts === 'lining' ? 'friction' : 'steel');

function severityOf(point: CataloguePoint, is: Finding['is'] | undefined): Layer {
  const kind = materialOf(point);
  if (typeof is !== 'string') return { severity: null, kind };
  return { severity: point.levels.get(is)?.severity ?? 'cannot-tell', kind };
}

type Layer = { severity: number | 'cannot-tell' | null; kind: 'friction' | 'steel' };
