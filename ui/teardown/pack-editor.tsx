'use client';
import { memo, useCallback, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { findingSlot } from '@/core/case';
import type { Finding, Json } from '@/core/case';
import { PATTERN_WORDS, readPack } from '@/core/inspection';
import type { FaceReading } from '@/core/inspection';
import type { Element } from '@/core/unit';
import { useFinding } from '@/ui/inspection/use-finding';
import { useInspection } from '@/ui/job/use-inspection';
import { useBench, useSlots } from '@/ui/job/provider';
import { Button, Choice, Line, Stack } from '@/ui/system';
import { FacePatterns, faceFill } from './face-patterns';
import { gradeFor, layersOf } from './layers';
import type { Brush, Layer } from './layers';
import { PackDrawing } from './pack-drawing';
import type { Place } from './pack-plate';
import { PlateAtHand } from './plate-at-hand';
import { Palette } from './palette';

/**
 * A pack, plate by plate and face by face. Choose a condition, then drag over faces; or move with the arrow keys and
 * press its number. Every face saves itself.
 */
export const PackEditor = memo(function PackEditor({ element }: { element: Element }) {
  const inspection = useInspection();
  const { writeMany, now } = useBench();
  const stored = useSlots(`face.${element.id}.`) as [string, Finding][];
  const faces = useMemo(() => new Map(stored), [stored]);
  const layers = useMemo(() => layersOf(inspection, element), [inspection, element]);
  const [layerId, setLayer] = useState(layers[0]!.point);
  const layer = layers.find((l) => l.point === layerId)!;
  const [brushKey, setBrush] = useState(layer.brushes[0]!.key);
  const brush = layer.brushes.find((b) => b.key === brushKey) ?? layer.brushes[0]!;
  const [at, setAt] = useState<Place>({
    plate: element.pack!.order.findIndex((kind) => kind !== 'wave'),
    side: 'a',
  });
  const [close, setClose] = useState(false);
  const painting = useRef<Set<string> | null>(null);
  const counted = useFinding(inspection.subject('element', [element.id])!, 'count');
  const count = counted.finding?.is;
  const [pushed, setPushed] = useState<number | null>(null);
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
  const onDown = useCallback((place: Place) => acts.current.down(place), []);
  const onOver = useCallback((place: Place) => acts.current.over(place), []);
  const onAll = useCallback((kind: Alike) => acts.current.all(kind), []);
  const onPlate = useCallback((plate: number) => setAt({ plate, side: 'a' }), []);
  const onBrush = useCallback((b: Brush) => setBrush(b.key), []);
  const swatch = useCallback(
    (b: Brush) => (
      <BrushPicture id={`swatch-${element.id}-${layer.point}-${b.key}`} layer={layer.point} brush={b} />
    ),
    [element, layer],
  );
  const here = reading.plates[at.plate]!;
  return (
    <Stack $gap={8}>
      <PackTools
        name={element.name}
        layers={layers}
        layer={layer}
        brush={brush}
        close={close}
        onLayer={setLayer}
        onAll={onAll}
        onClose={setClose}
      />
      <Palette
        name={element.name}
        brushes={layer.brushes}
        value={brush}
        onChange={onBrush}
        picture={swatch}
      />
      <PackDrawing
        name={element.name}
        id={`pack-${element.id}`}
        plates={reading.plates}
        over={(place) => {
          const metal = levelAt(place, 'metal');
          const bond = levelAt(place, 'bond');
          return {
            grade: levelAt(place, 'heat'),
            metal: metal === 'specks' || metal === 'covered' ? metal : undefined,
            loose: bond === 'soft' || bond === 'lifting',
          };
        }}
        at={at}
        said={`${here.name}, ${at.side === 'a' ? 'piston' : 'backing'} side, ${levelAt(at, layer.point) ?? 'not looked at'}.`}
        close={close}
        found={pushed ?? (typeof count === 'number' ? count : null)}
        onPush={setPushed}
        onCount={(to) => {
          setPushed(null);
          if (to !== null) counted.say(to);
        }}
        onKey={onKey}
        onDown={onDown}
        onOver={onOver}
        onUp={() => (painting.current = null)}
        onPlate={onPlate}
      />
      <PlateAtHand element={element} plate={at.plate} onPlate={onPlate}>
        {reading.inspected} of {reading.faces} faces looked at.{' '}
        {reading.pattern
          ? PATTERN_WORDS[reading.pattern]
          : reading.littleSeen
            ? 'Too little was looked at to say how the damage lies.'
            : ''}
      </PlateAtHand>
    </Stack>
  );
});

type Alike = 'all' | 'linings' | 'steels';

/** What is painted, and the ways to paint many faces at once. */
const PackTools = memo(function PackTools(props: {
  name: string;
  layers: readonly Layer[];
  layer: Layer;
  brush: Brush;
  close: boolean;
  onLayer: (point: string) => void;
  onAll: (kind: Alike) => void;
  onClose: (close: boolean) => void;
}) {
  const { layers, layer, brush, close, onAll } = props;
  return (
    <Line>
      <Choice
        label={`What to paint, ${props.name}`}
        dense
        value={layer.point}
        options={layers.map((l) => ({ value: l.point, label: l.words }))}
        onChange={(v) => v && props.onLayer(v)}
      />
      <Button $small onPress={() => onAll('all')}>
        All alike: {brush.label.toLowerCase()}
      </Button>
      <Button $small onPress={() => onAll('linings')}>
        All linings
      </Button>
      <Button $small onPress={() => onAll('steels')}>
        All steels
      </Button>
      <Button $small $kind="quiet" aria-pressed={close} onPress={() => props.onClose(!close)}>
        {close ? 'Whole pack' : 'Closer'}
      </Button>
    </Line>
  );
});

/** A swatch shows a brush on a lining and on a steel. */
function BrushPicture({ id, layer, brush }: { id: string; layer: string; brush: Brush }) {
  const base = layer === 'heat' ? brush.severity : brush.key === '0' ? null : 0;
  const metal = brush.friction === 'specks' || brush.friction === 'covered' ? brush.friction : null;
  return (
    <svg viewBox="0 0 60 22" aria-hidden preserveAspectRatio="none">
      <FacePatterns id={id} />
      <rect width="30" height="22" fill={faceFill(base, 'friction', id)} stroke="var(--ink)" />
      <rect x="30" width="30" height="22" fill={faceFill(base, 'steel', id)} stroke="var(--ink)" />
      {metal && <rect width="60" height="22" fill={`url(#${id}-${metal})`} />}
      {(brush.friction === 'soft' || brush.friction === 'lifting') && (
        <path d="M2 0q8 5 0 11t0 11" fill="none" stroke="var(--accent)" strokeWidth="3" />
      )}
    </svg>
  );
}
