import { useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { findingSlot } from '@/core/case';
import type { Finding, Json } from '@/core/case';
import { readPack } from '@/core/inspection';
import type { FaceReading } from '@/core/inspection';
import type { Element } from '@/core/unit';
import { useInspection } from '@/ui/job/use-inspection';
import { useBench, useSlots } from '@/ui/job/provider';
import { gradeFor, layersOf } from './layers';
import type { Brush } from './layers';
import type { Place } from './pack-plate';

export type Alike = 'all' | 'linings' | 'steels';

/** What is recorded of the faces of a pack, by point, and how the damage lies. */
function useFaces(element: Element) {
  const inspection = useInspection();
  const stored = useSlots(`face.${element.id}.`) as [string, Finding][];
  const faces = useMemo(() => new Map(stored), [stored]);
  const levelAt = ({ plate, side }: Place, point: string) => {
    const is = faces.get(`${plate}.${side}.${point}`)?.is;
    return typeof is === 'string' ? is : undefined;
  };
  const severityAt = (place: Place): FaceReading | null => {
    const is = levelAt(place, 'heat');
    if (is === undefined) return null;
    const named = inspection.named(`face.${element.id}.${place.plate}.${place.side}.heat`);
    return named?.point.levels.get(is)?.severity ?? 'cannot-tell';
  };
  const reading = readPack(element, (plate, side) => severityAt({ plate, side }));
  return { levelAt, reading };
}

/** Faces that are painted, with the brush and the place at hand: by pointer, by keys, or many at once. */
export function usePackPainting(element: Element) {
  const inspection = useInspection();
  const { writeMany, now } = useBench();
  const { levelAt, reading } = useFaces(element);
  const layers = useMemo(() => layersOf(inspection, element), [inspection, element]);
  const [layerId, setLayer] = useState(layers[0]!.point);
  const layer = layers.find((l) => l.point === layerId)!;
  const [brushKey, setBrush] = useState(layer.brushes[0]!.key);
  const brush = layer.brushes.find((b) => b.key === brushKey) ?? layer.brushes[0]!;
  const [at, setAt] = useState<Place>({
    plate: element.pack!.order.findIndex((kind) => kind !== 'wave'),
    side: 'a',
  });
  const painting = useRef<Set<string> | null>(null);

  const paint = (places: readonly Place[], with_: Brush) => {
    const writes = places.flatMap((place): [string, Json][] => {
      const grade = gradeFor(with_, reading.plates[place.plate]!.kind);
      if (grade === undefined || (levelAt(place, layer.point) ?? null) === grade) return [];
      const slot = findingSlot(`face.${element.id}.${place.plate}.${place.side}`, layer.point);
      const known = now(slot);
      return [[slot, grade === null ? null : ({ ...known, is: grade } as Json)]];
    });
    if (writes.length) writeMany(writes);
  };
  const places = reading.plates
    .filter((p) => p.kind !== 'wave')
    .flatMap(({ index }): Place[] => [
      { plate: index, side: 'a' },
      { plate: index, side: 'b' },
    ]);
  const step = (by: number) => {
    const here = places.findIndex((p) => p.plate === at.plate && p.side === at.side);
    setAt(places[Math.max(0, Math.min(places.length - 1, here + by))]!);
  };
  const onKey = (event: React.KeyboardEvent) => {
    const chosen = layer.brushes.find((b) => b.key === event.key);
    if (event.ctrlKey || event.metaKey || event.altKey) return;
    if (event.key === 'ArrowRight') step(1);
    else if (event.key === 'ArrowLeft') step(-1);
    else if (event.key === 'Home') step(-places.length);
    else if (event.key === 'End') step(places.length);
    else if (event.key === 'm') setLayer(layers[(layers.indexOf(layer) + 1) % layers.length]!.point);
    else if (event.key === 'a') paint(places, brush);
    else if (chosen) {
      paint([at], chosen);
      setBrush(chosen.key);
      step(1);
    } else if (event.key === 'Enter' || event.key === ' ') paint([at], brush);
    else return;
    event.preventDefault();
  };
  const over = (place: Place) => {
    const key = `${place.plate}${place.side}`;
    if (!painting.current || painting.current.has(key)) return;
    painting.current.add(key);
    paint([place], brush);
    setAt(place);
  };
  const all = (kind: Alike) =>
    paint(
      places.filter(
        (p) => kind === 'all' || (reading.plates[p.plate]!.kind === 'friction') === (kind === 'linings'),
      ),
      brush,
    );
  const down = (place: Place) => {
    painting.current = new Set();
    over(place);
  };
  // As they are at the moment of the press; what is handed down stays the same, so that a press draws one plate anew.
  const acts = useRef({ down, over, all });
  useLayoutEffect(() => {
    acts.current = { down, over, all };
  });
  return {
    reading,
    levelAt,
    layers,
    layer,
    brush,
    at,
    setLayer,
    onKey,
    onDown: useCallback((place: Place) => acts.current.down(place), []),
    onOver: useCallback((place: Place) => acts.current.over(place), []),
    onUp: () => {
      painting.current = null;
    },
    onAll: useCallback((kind: Alike) => acts.current.all(kind), []),
    onPlate: useCallback((plate: number) => setAt({ plate, side: 'a' }), []),
    onBrush: useCallback((b: Brush) => setBrush(b.key), []),
  };
}
