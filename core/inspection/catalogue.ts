import { kindOf } from './field';
import type { InspectionFile, Level, Point, Scale, ScaleFile, TargetHead } from './schema';

/** A point with the file it stands in and its answers, ready to be looked up. */
export interface CataloguePoint {
  /** `drum.crack`: the name facts and rules know it by. */
  key: string;
  file: InspectionFile;
  point: Point;
  levels: ReadonlyMap<string, Level>;
}

/** All inspection data, compiled once. */
export interface Catalogue {
  files: readonly InspectionFile[];
  scale: (id: string) => Scale;
  /** The files that apply to a subject, in their order. */
  filesFor: (head: TargetHead, selectors: readonly string[]) => readonly InspectionFile[];
  /** The points that apply to a subject, by id. */
  pointsFor: (head: TargetHead, selectors: readonly string[]) => ReadonlyMap<string, CataloguePoint>;
  point: (key: string) => CataloguePoint | undefined;
  /** The kinds a part can be of. */
  partKinds: readonly string[];
}

/** Inspection data as it travels: plain JSON. */
export interface InspectionData {
  files: readonly InspectionFile[];
  scales: ScaleFile;
}

const compiled = new WeakMap<InspectionData, Catalogue>();

/** The catalogue of inspection data, compiled once. */
export function catalogueOf(data: InspectionData): Catalogue {
  let catalogue = compiled.get(data);
  if (!catalogue) compiled.set(data, (catalogue = compileCatalogue(data.files, data.scales)));
  return catalogue;
}

/** Compiles inspection files and scales. Throws a RangeError naming the file when one asks for a scale there is not. */
export function compileCatalogue(files: readonly InspectionFile[], { scales }: ScaleFile): Catalogue {
  const byId = new Map(scales.map((s) => [s.id, s]));
  const scale = (id: string): Scale => {
    const found = byId.get(id);
    if (!found) throw new RangeError(`There is no scale "${id}".`);
    return found;
  };
  const ordered = [...files].sort((a, b) => a.order - b.order);
  const points = new Map<string, CataloguePoint>();
  for (const file of ordered) {
    for (const point of file.points) {
      const key = `${file.id}.${point.id}`;
      const levels = new Map(levelsOf(point, scale).map((l) => [l.id, l]));
      points.set(key, { key, file, point, levels });
    }
  }
  const known = new Map<string, readonly InspectionFile[]>();
  const filesFor = (head: TargetHead, selectors: readonly string[]) => {
    const key = `${head} ${selectors.join(' ')}`;
    let found = known.get(key);
    if (!found) {
      found = ordered.filter((f) => f.of[head]?.some((s) => s === '*' || selectors.includes(s)));
      known.set(key, found);
    }
    return found;
  };
  const sets = new Map<string, ReadonlyMap<string, CataloguePoint>>();
  return {
    files: ordered,
    scale,
    filesFor,
    pointsFor: (head, selectors) => {
      const key = `${head} ${selectors.join(' ')}`;
      let found = sets.get(key);
      if (!found) {
        const own = filesFor(head, selectors).flatMap((f) =>
          f.points.map((p) => points.get(`${f.id}.${p.id}`)!),
        );
        found = new Map(own.map((p) => [p.point.id, p]));
        sets.set(key, found);
      }
      return found;
    },
    point: (key) => points.get(key),
    partKinds: [...new Set(ordered.flatMap((f) => f.of.part ?? []))].filter((k) => k !== '*').sort(),
  };
}

/** The words a point can be answered with. */
const levelsOf = ({ field }: Point, scale: (id: string) => Scale): readonly Level[] =>
  kindOf(field).levels(field, scale);
