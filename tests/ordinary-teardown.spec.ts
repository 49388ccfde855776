import { expect, test } from '@playwright/test';
import type { Page } from '@playwright/test';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import { shippedUnits } from '@/data/shipped';
import { keyboard, mouse, touch } from './hands';
import type { Hands } from './hands';
import { newJob, OURS, saved, signIn } from './helpers';
import { STORY } from './teardown-story';
import type { Visit } from './teardown-story';

const unit = shippedUnits.find((u) => u.id === 'ostrel-six')!;
const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
const PHOTO = 'data/demo/photos/burnt-pack.jpg';
/** A click, a stroke, a shortcut or one whole value typed each. */
const MOST_ACTIONS = 140;

const words = (slot: string, level: string) => inspection.named(slot)!.point.levels.get(level)!.words;
const quickSlot = (subject: string) => `${subject}.${subject.startsWith('gearset') ? 'pins' : 'condition'}`;

/** What the record holds after the story, but for photos and what is sound. */
function told(): Map<string, unknown> {
  const found = new Map<string, unknown>();
  for (const visit of STORY) {
    found.set(`station.${visit.station}.out`, true);
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
  await expect(page.getByRole('region', { name: at.name })).toBeVisible();
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
  await hands.shortcut(
    at === STORY.at(-1) ? 'o' : 'n',
    page.getByRole('button', { name: at === STORY.at(-1) ? 'It is out' : /^Out, next/ }),
  );
}

function brushName(subject: string, level: string): RegExp {
  const id = subject.split('.')[1]!;
  const lining = unit.elements.find((e) => e.id === id)!.pack!.order.indexOf('friction');
  return new RegExp(`^\\d ${words(`face.${id}.${lining}.a.heat`, level)}\\b`);
}

const ways: [string, (page: Page) => Hands][] = [
  ['mouse', mouse],
  ['touch', touch],
  ['keys', keyboard],
];

for (const [way, handsOf] of ways) {
  test.describe(way, () => {
    test.use({ hasTouch: way === 'touch' });
    test(`an ordinary teardown of the Ostrel Six: ${way}`, async ({ page }, info) => {
      test.setTimeout(180_000);
      await signIn(page, 'mira');
      const job = await newJob(page, 'ostrel-six');
      await page.goto(`/jobs/${job}/teardown`);
      const hands = handsOf(page);
      for (const station of STORY) await visit(page, hands, station);
      await saved(page);

      const answer = await page.request.get(`/api/jobs/${job}/entries?after=0`, { headers: OURS });
      const { entries } = (await answer.json()) as { entries: { slot: string; value: unknown }[] };
      const record = new Map(entries.map((e) => [e.slot, e.value as { is?: unknown } | null]));
      const held = [...told().keys()].map((slot) => {
        const value = record.get(slot);
        return [slot, value && typeof value === 'object' ? value.is : value];
      });
      expect(Object.fromEntries(held)).toEqual(Object.fromEntries(told()));
      const slots = [...record].filter(([, value]) => value !== null).map(([slot]) => slot);
      expect(slots.filter((s) => s.startsWith('face.'))).toHaveLength(facesPainted());
      expect(slots.filter((s) => s.startsWith('photo.'))).toHaveLength(6);
      const typed = [...told().values()].filter((v) => typeof v === 'number').length;
      expect(typed).toBeGreaterThanOrEqual(25);
      const figures = `${way}: ${hands.actions} actions, ${hands.keys} keys, ${slots.length} findings`;
      info.annotations.push({ type: 'count', description: figures });
      expect(hands.actions).toBeLessThanOrEqual(MOST_ACTIONS);
    });
  });
}

/** Every face of every pack is painted in the story. */
function facesPainted(): number {
  return unit.elements.reduce(
    (sum, e) => sum + 2 * (e.pack?.order.filter((kind) => kind !== 'wave').length ?? 0),
    0,
  );
}
