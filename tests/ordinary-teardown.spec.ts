import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { keyboard, mouse, touch } from './hands';
import type { Hands } from './hands';
import { makeJob, OURS, saved, signIn } from './helpers';
import { STORY } from './teardown-story';
import type { Visit } from './teardown-story';

const unit = shippedUnits.find((u) => u.id === 'ostrel-six')!;
const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
const PHOTO = 'data/demo/photos/burnt-pack.jpg';
/** A click, a stroke, a shortcut or one whole value typed each. */
const MOST_ACTIONS = 140;

const words = (slot: string, level: string) => inspection.named(slot)!.point.levels.get(level)!.words;
const quickSlot = (subject: string) => `${subject}.${subject.startsWith('gearset') ? 'pins' : 'condition'}`;

/** What there is to do at a station, by kind. */
function kindsOf({ readings, rows = [], quick }: Visit): string[] {
  const did = {
    reading: readings?.length,
    quick: quick?.length,
    said: rows.some((r) => r.said),
    amounts: rows.some((r) => r.amounts),
    photo: rows.some((r) => r.photos),
    all: rows.some((r) => r.paint?.some((p) => !p.from)),
    stroke: rows.some((r) => r.paint?.some((p) => p.from)),
    plate: rows.some((r) => r.thickness),
  };
  return Object.entries(did).flatMap(([kind, is]) => (is ? [kind] : []));
}

/**
 * What is to be done for the first time: of a station only what is new there, two of what comes in rows of its like, so
 * that from the first one goes on to the next.
 */
function firsts(): Visit[] {
  const seen = new Set<string>();
  return STORY.flatMap((visit) => {
    const fresh = new Set(kindsOf(visit).filter((kind) => !seen.has(kind)));
    if (!fresh.size) return [];
    fresh.forEach((kind) => seen.add(kind));
    const { station, name, readings, rows, quick } = visit;
    return {
      station,
      name,
      readings: fresh.has('reading') ? readings!.slice(0, 2) : [],
      quick: fresh.has('quick') ? quick!.slice(0, 2) : [],
      rows: rows?.filter((row) => kindsOf({ station, name, rows: [row] }).some((kind) => fresh.has(kind))),
    };
  });
}

/** What the record holds after these stations, but for photos and what is sound; all of them are out. */
function told(visits: readonly Visit[]): Map<string, unknown> {
  const found = new Map<string, unknown>(STORY.map(({ station }) => [`station.${station}.out`, true]));
  for (const visit of visits) {
    for (const [slot, value] of visit.readings ?? []) found.set(slot, value);
    for (const [subject, is] of visit.quick ?? []) found.set(quickSlot(subject), is);
    for (const row of visit.rows ?? []) {
      for (const [point, is] of row.said ?? []) found.set(`${row.subject}.${point}`, is);
      for (const [point, place, level] of row.amounts ?? []) {
        const slot = `${row.subject}.${point}`;
        found.set(slot, { ...(found.get(slot) as object | undefined), [place]: level });
      }
      const id = row.subject.split('.')[1];
      row.thickness?.mm.forEach((mm, k) =>
        found.set(`plate.${id}.${row.thickness!.first + k}.thickness`, mm),
      );
    }
  }
  return found;
}

async function visit(page: Page, hands: Hands, at: Visit): Promise<void> {
  let walking = false;
  for (const [slot, value] of at.readings ?? []) {
    await hands.type(page.locator(`[data-point="${slot}"] input`), String(value), walking);
    walking = true;
  }
  for (const row of at.rows ?? []) {
    const shown = page.locator(`[data-subject="${row.subject}"]`);
    await hands.open(shown, row.find);
    for (const stroke of row.paint ?? []) {
      const brush = shown.getByRole('button', { name: brushName(row.subject, stroke.level) });
      const face = (name: string) => shown.locator(`[data-face="${name}"]`);
      await hands.paint(shown, brush, stroke.from ? [face(stroke.from), face(stroke.to!)] : null);
    }
    for (const [k, mm] of row.thickness?.mm.entries() ?? []) {
      if (k === 0) await hands.plate(shown, row.thickness!.first);
      await hands.type(shown.getByLabel(/^Thickness/), String(mm), k > 0);
    }
    for (const [point, is] of row.said ?? []) {
      const name = words(`${row.subject}.${point}`, String(is));
      await hands.press(
        shown
          .locator(`[data-point="${row.subject}.${point}"]`)
          .getByRole('radio', { name, exact: true })
          .first(),
      );
    }
    for (const [point, place, level] of row.amounts ?? []) {
      const brush = shown.getByRole('radio', { name: words(`${row.subject}.${point}`, level), exact: true });
      if ((await brush.getAttribute('aria-checked')) !== 'true') await hands.press(brush);
      const { field, words: kind } = inspection.named(`${row.subject}.${point}`)!.point.point;
      const where = field.kind === 'amounts' && field.places.find((p) => p.id === place)!.words;
      await hands.press(shown.getByRole('button', { name: `${kind}, ${String(where).toLowerCase()}:` }));
    }
    if (row.amounts) await hands.press(shown.getByRole('button', { name: /^None of the rest/ }));
    for (let k = 0; k < (row.photos ?? 0); k++)
      await hands.file(shown.getByRole('button', { name: /^Photo of/ }), PHOTO);
  }
  for (const [subject, is] of at.quick ?? []) {
    const shown = page.locator(`[data-subject="${subject}"]`);
    await hands.press(shown.getByRole('radio', { name: words(quickSlot(subject), is), exact: true }));
  }
  await hands.shortcut('r', page.getByRole('button', { name: /^Rest of this station sound/ }));
}

/** A station is out: on to the next. */
const takeOut = (page: Page, hands: Hands, at: Visit) =>
  at === STORY.at(-1)
    ? hands.shortcut('o', page.getByRole('button', { name: 'It is out' }))
    : hands.shortcut('n', page.getByRole('button', { name: /^Out, next/ }));

function brushName(subject: string, level: string): RegExp {
  const id = subject.split('.')[1]!;
  const lining = unit.elements.find((e) => e.id === id)!.pack!.order.indexOf('friction');
  return new RegExp(`^\\d ${words(`face.${id}.${lining}.a.heat`, level)}\\b`);
}

// The whole of it by mouse. What there is to do at a station is done in the same way at the next: by finger and by keys
// the first time is enough.
const ways: [way: string, handsOf: (page: Page) => Hands, visits: readonly Visit[]][] = [
  ['mouse', mouse, STORY],
  ['touch', touch, firsts()],
  ['keys', keyboard, firsts()],
];

for (const [way, handsOf, visits] of ways) {
  test.describe(way, () => {
    test.use({ hasTouch: way === 'touch' });
    test(`an ordinary teardown of the Ostrel Six: ${way}`, async ({ page }, info) => {
      await signIn(page, 'mira');
      const job = await makeJob(page, 'ostrel-six');
      await page.goto(`/jobs/${job}/teardown`);
      const hands = handsOf(page);
      for (const station of STORY) {
        await expect(page.getByRole('region', { name: station.name })).toBeVisible();
        const here = visits.find((v) => v.station === station.station);
        if (here) await visit(page, hands, here);
        await takeOut(page, hands, station);
      }
      await saved(page);

      const answer = await page.request.get(`/api/jobs/${job}/entries?after=0`, { headers: OURS });
      const { entries } = (await answer.json()) as { entries: { slot: string; value: unknown }[] };
      const record = new Map(entries.map((e) => [e.slot, e.value as { is?: unknown } | null]));
      const wanted = told(visits);
      const held = [...wanted.keys()].map((slot) => {
        const value = record.get(slot);
        return [slot, value && typeof value === 'object' ? value.is : value];
      });
      expect(Object.fromEntries(held)).toEqual(Object.fromEntries(wanted));
      const slots = [...record].filter(([, value]) => value !== null).map(([slot]) => slot);
      expect(slots.filter((s) => s.startsWith('face.'))).toHaveLength(facesPainted(visits));
      const photos = visits.flatMap((v) => v.rows ?? []).reduce((sum, row) => sum + (row.photos ?? 0), 0);
      expect(slots.filter((s) => s.startsWith('photo.'))).toHaveLength(photos);
      if (visits === STORY) {
        expect([...wanted.values()].filter((v) => typeof v === 'number').length).toBeGreaterThanOrEqual(25);
        expect(photos).toBe(6);
      }
      const figures = `${way}: ${hands.actions} actions, ${hands.keys} keys, ${slots.length} findings`;
      info.annotations.push({ type: 'count', description: figures });
      expect(hands.actions).toBeLessThanOrEqual(MOST_ACTIONS);
    });
  });
}

/** Every face of the packs that are painted in these stations. */
function facesPainted(visits: readonly Visit[]): number {
  const painted = new Set(visits.flatMap((v) => v.rows ?? []).flatMap((r) => (r.paint ? [r.subject] : [])));
  return unit.elements
    .filter(({ id }) => painted.has(`element.${id}`))
    .reduce((sum, e) => sum + 2 * (e.pack?.order.filter((kind) => kind !== 'wave').length ?? 0), 0);
}
