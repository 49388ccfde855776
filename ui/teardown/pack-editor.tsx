'use client';
import { memo, useCallback, useState } from 'react';
import { PATTERN_WORDS } from '@/core/inspection';
import type { Element } from '@/core/unit';
import { useFinding } from '@/ui/inspection/use-finding';
import { useInspection } from '@/ui/job/use-inspection';
import { Button, Choice, Line, Stack } from '@/ui/system';
import { FacePatterns, faceFill } from './face-patterns';
import type { Brush, Layer } from './layers';
import { PackDrawing } from './pack-drawing';
import { PlateAtHand } from './plate-at-hand';
import { Palette } from './palette';
import { usePackPainting } from './use-pack-painting';
import type { Alike } from './use-pack-painting';

/**
 * A pack, plate by plate and face by face. Choose a condition, then drag over faces; or move with the arrow keys and
 * press its number. Every face saves itself.
 */
export const PackEditor = memo(function PackEditor({ element }: { element: Element }) {
  const painting = usePackPainting(element);
  const { reading, levelAt, layers, layer, brush, at, setLayer, onBrush, onPlate } = painting;
  const [close, setClose] = useState(false);
  const counted = useFinding(useInspection().subject('element', [element.id])!, 'count');
  const count = counted.finding?.is;
  const [pushed, setPushed] = useState<number | null>(null);
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
        onAll={painting.onAll}
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
        onKey={painting.onKey}
        onDown={painting.onDown}
        onOver={painting.onOver}
        onUp={painting.onUp}
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
