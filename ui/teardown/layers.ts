import { CANNOT_TELL } from '@/core/case';
import { kindOf } from '@/core/inspection';
import type { CataloguePoint, Inspection } from '@/core/inspection';
import type { Element, PlateKind } from '@/core/unit';

/** What can be painted over the faces of a pack: how burnt they are, what is pressed into them, whether linings hold. */
export interface Layer {
  point: string;
  words: string;
  brushes: readonly Brush[];
}

/** One brush: what it means on a lining and on a steel; null where that kind of face is left alone. */
export interface Brush {
  key: string;
  label: string;
  friction: string | null;
  steel: string | null;
  severity: number | 'cannot-tell' | null;
}

/** What takes a face back to not looked at. */
const ERASER = '0';

/** The layers of an element's faces, from the points the catalogue has for them. */
export function layersOf(inspection: Inspection, element: Element): readonly Layer[] {
  const on = (kind: 'friction' | 'steel') => {
    const index = element.pack!.order.indexOf(kind);
    const face = index < 0 ? null : inspection.subject('face', [element.id, String(index), 'a']);
    return face ? inspection.points(face) : new Map<string, CataloguePoint>();
  };
  const [friction, steel] = [on('friction'), on('steel')];
  const ids = [...new Set([...friction.keys(), ...steel.keys()])];
  return ids.flatMap((id) => {
    const points = [friction.get(id), steel.get(id)];
    if (points.some((p) => p && !kindOf(p.point.field).levelled)) return [];
    return [{ point: id, words: (points[0] ?? points[1])!.point.words, brushes: brushesOf(points) }];
  });
}

function brushesOf([friction, steel]: (CataloguePoint | undefined)[]): Brush[] {
  const [linings, steels] = [friction, steel].map((p) => [...(p?.levels.values() ?? [])]);
  const count = Math.max(linings!.length, steels!.length);
  const own = Array.from({ length: count }, (_, k): Brush => {
    const [a, b] = [linings![k], steels![k]];
    const words = [...new Set([a?.words, b?.words].filter((w) => w !== undefined))];
    return {
      key: String(k + 1),
      label: words.map((w, i) => (i ? w.toLowerCase() : w)).join(', '),
      friction: a?.id ?? null,
      steel: b?.id ?? null,
      severity: (a ?? b)!.severity ?? 0,
    };
  });
  const unjudged = (p: CataloguePoint | undefined) => (p ? CANNOT_TELL : null);
  return [
    ...own,
    {
      key: String(count + 1),
      label: 'Cannot tell',
      friction: unjudged(friction),
      steel: unjudged(steel),
      severity: 'cannot-tell',
    },
    { key: ERASER, label: 'Not looked at', friction: null, steel: null, severity: null },
  ];
}

/** What a brush leaves on a plate of this kind; undefined where it leaves the face as it is. */
export function gradeFor(brush: Brush, kind: PlateKind): string | null | undefined {
  if (kind === 'wave') return undefined;
  if (brush.key === ERASER) return null;
  return (kind === 'friction' ? brush.friction : brush.steel) ?? undefined;
}
