import { createElement } from 'react';
import type { ComponentType } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { findingSlot, stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { catalogueOf, inspectionOf, limitOf } from '@/core/inspection';
import type { CataloguePoint, Inspection, Subject } from '@/core/inspection';
import type { ShopTerms } from '@/core/shop';
import { knowledge, rules } from '@/data/knowledge';
import shop from '@/data/prices/shop.json';
import { shippedUnits } from '@/data/shipped';
import { answersOf } from '@/tests/fixtures/findings';
import { Readings, readingsAt } from '@/ui/inspection/readings';
import { SubjectRow } from '@/ui/inspection/row';
import { JobWith } from '@/ui/job/provider';
import { layersOf } from './layers';
import { PlacePicture } from './place-picture';
import { PlateAtHand } from './plate-at-hand';

/*
 * Whatever the catalogue asks of anything in a unit has a control somewhere at its station. Drawn with one answer given
 * to each point, so that what is folded away until it says something is drawn too.
 */
const catalogue = catalogueOf(knowledge.inspection);

function drawn<P extends object>(
  inspection: Inspection,
  subjects: readonly Subject[],
  Drawn: ComponentType<P>,
  props: P,
): string {
  const values = subjects.flatMap((subject) =>
    [...inspection.points(subject).values()].map((point): [string, Json] => [
      findingSlot(subject.slot, point.point.id),
      { is: answersOf(point)[0]! } as Json,
    ]),
  );
  const start = {
    number: 1,
    id: 'job-1',
    user: { id: 'mira', name: 'Mira', role: 'technician' as const, generation: 'first' },
    stage: 'teardown' as const,
    state: stateFromValues(Object.fromEntries(values)),
    lastSeq: 1,
    quoted: null,
    closed: false,
    experience: { jobs: 0, causes: {} },
    unitName: inspection.unit.name,
    currency: shop.currency,
    library: '/nowhere',
  };
  const library = { unit: inspection.unit, knowledge, rules, terms: shop as unknown as ShopTerms };
  const opening = { library, problem: null, retry: () => undefined };
  return renderToStaticMarkup(
    createElement(JobWith, { start, opening, children: createElement(Drawn, props) }),
  )
    .replaceAll('&#x27;', '’')
    .replaceAll("'", '’')
    .replaceAll('&amp;', '&');
}

/** What of a point's control is not in a drawing: the control itself, or one of its answers. */
function missing(markup: string, slot: string, point: CataloguePoint): string[] {
  const has = (words: string) => markup.includes(words.replaceAll("'", '’').replaceAll('&', '&'));
  const { field } = point.point;
  if (!has(`data-point="${slot}"`)) return [slot];
  if (field.kind === 'measure' || field.kind === 'words') return [];
  const places = field.kind === 'amounts' ? field.places.map((p) => p.words) : [];
  return [...[...point.levels.values()].map((l) => l.words), ...places]
    .filter((words) => !has(words))
    .map((words) => `${slot}: ${words}`);
}

/** A thing of a station: its row opened, with the picture some of it is painted in, and the readings above. */
function missingOf(inspection: Inspection, subject: Subject): string[] {
  const points = [...inspection.points(subject).values()];
  const painted = points.filter((p) => p.point.picture);
  const row = drawn(inspection, [subject], SubjectRow, { subject, open: true, onOpen: () => undefined });
  const picture = painted.length ? drawn(inspection, [], PlacePicture, { subject, points: painted }) : '';
  const readings = drawn(inspection, [], Readings, { readings: readingsAt(inspection, [subject]) });
  return points.flatMap((point) => {
    const slot = `${subject.slot}.${point.point.id}`;
    const { field } = point.point;
    // What the unit states no limit for, and what is asked only where it does, is not asked.
    const limited =
      field.kind === 'measure' && field.limit !== null && limitOf(inspection.unit, subject, field.limit);
    if (point.point.when === 'limit' && !limited) return [];
    if (painted.includes(point))
      return picture.includes(point.point.words) ? [] : [`${slot}: not in the picture`];
    return missing(row + readings, slot, point);
  });
}

describe.each(shippedUnits.map((u) => [u.id, inspectionOf(u, catalogue)] as const))('%s', (_, inspection) => {
  test('every point of everything at a station can be entered there', () => {
    // Of things asked the same, with limits of the same kinds, one is drawn.
    const kinds = new Map<string, Subject>();
    for (const subject of inspection.unit.stations.flatMap((s) => inspection.rows(s.id))) {
      const points = [...inspection.points(subject).values()].map(({ key, point }) => [
        key,
        point.field.kind === 'measure' &&
          point.field.limit &&
          limitOf(inspection.unit, subject, point.field.limit) !== null,
      ]);
      kinds.set(JSON.stringify([subject.head, points]), subject);
    }
    const subjects = [...kinds.values()];
    expect(subjects.length).toBeGreaterThan(30);
    expect(subjects.flatMap((subject) => missingOf(inspection, subject))).toEqual([]);
  });

  test('every point of every plate can be entered in its pack, and every condition painted on its faces', () => {
    const wrong: string[] = [];
    const seen = new Set<string>();
    for (const element of inspection.unit.elements)
      for (const [plate, kind] of (element.pack?.order ?? []).entries()) {
        if (kind === 'wave' || seen.has(`${element.id} ${kind}`)) continue;
        seen.add(`${element.id} ${kind}`);
        const subject = inspection.subject('plate', [element.id, String(plate)])!;
        const markup = drawn(inspection, [subject], PlateAtHand, {
          element,
          plate,
          onPlate: () => undefined,
          children: null,
        });
        for (const point of inspection.points(subject).values()) {
          if (point.point.id === 'thickness') {
            if (!markup.includes('Thickness')) wrong.push(`${subject.slot}: thickness`);
          } else wrong.push(...missing(markup, `${subject.slot}.${point.point.id}`, point));
        }
        const layers = layersOf(inspection, element);
        for (const point of inspection
          .points(inspection.subject('face', [element.id, String(plate), 'a'])!)
          .values())
          for (const level of point.levels.keys()) {
            const brushes = layers.find((l) => l.point === point.point.id)?.brushes ?? [];
            const side = kind === 'friction' ? 'friction' : 'steel';
            if (!brushes.some((b) => b[side] === level))
              wrong.push(`${element.id} ${plate}: no brush for ${level}`);
          }
      }
    expect(wrong).toEqual([]);
  });
});
