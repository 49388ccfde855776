import fc from 'fast-check';
import type { Calendar } from './calendar';
import { answerBy, readyBy } from './ready';
import type { WorkLeft } from './ready';

const day = { from: '08:00', to: '16:00' };
const shop: Calendar = {
  opening: { mon: day, tue: day, wed: day, thu: day, fri: day, sat: null, sun: null },
  holidays: [],
};
const work = (more: Partial<WorkLeft> = {}): WorkLeft => ({
  hours: 6,
  queueHours: 0,
  parts: [],
  waits: [],
  ...more,
});
/** A yes on Thursday noon, two benches that work six hours of eight. */
const ready = (more: Partial<WorkLeft> = {}, capacity = { benches: 2, benchShare: 0.75 }) =>
  readyBy(shop, capacity, '2026-11-26T12:00', work(more));

test('with nothing to wait for it hangs on the work alone: six hours are eight of the clock', () => {
  expect(ready()).toEqual({
    decideBy: '2026-11-26T12:00',
    at: '2026-11-27T12:00',
    hangsOn: 'bench',
    latest: null,
    steps: [
      { words: 'You say yes', at: '2026-11-26T12:00' },
      { words: '6 h of work are done', at: '2026-11-27T12:00' },
    ],
  });
});

test('it begins when the last part is there', () => {
  const { at, hangsOn, latest, steps } = ready({
    parts: [
      { name: 'Seal', days: 1 },
      { name: 'Drum', days: 6 },
      { name: 'Ring', days: 2 },
    ],
  });
  expect([at, hangsOn, latest]).toEqual(['2026-12-02T16:00', 'parts', 'Drum']);
  expect(steps[1]).toEqual({ words: 'The last part is here: Drum', at: '2026-12-02T08:00' });
});

test('it begins when a bench is free: 12 hours of others take two benches eight hours of the clock', () => {
  const { at, hangsOn, latest, steps } = ready({ queueHours: 12 });
  expect([at, hangsOn, latest]).toEqual(['2026-11-30T12:00', 'queue', null]);
  expect(steps[1]).toEqual({ words: 'A bench is free', at: '2026-11-27T12:00' });
  expect(ready({ queueHours: 12 }, { benches: 0, benchShare: 0.75 }).at).toBe('2026-12-01T12:00');
});

test('the later of both decides', () => {
  const parts = [{ name: 'Drum', days: 1 }];
  expect(ready({ queueHours: 12, parts }).hangsOn).toBe('queue');
  expect(ready({ queueHours: 3, parts }).hangsOn).toBe('parts');
  expect(ready({ queueHours: 3, parts }).latest).toBe('Drum');
  expect(ready({ parts: [{ name: 'Here', days: 0 }] })).toMatchObject({
    hangsOn: 'bench',
    latest: null,
    steps: { length: 2 },
  });
});

test('what takes its time by the clock takes it over night; it is handed out when the shop is open', () => {
  const cured = ready({
    waits: [
      { words: 'cured', hours: 14 },
      { words: 'cooled', hours: 3 },
    ],
  });
  expect(cured.at).toBe('2026-11-30T08:00');
  expect(cured.steps.at(-1)).toEqual({ words: 'cured, cooled', at: '2026-11-30T08:00' });
  expect(ready({ waits: [{ words: 'cured', hours: 1.5 }] }).at).toBe('2026-11-27T13:30');
  expect(ready({ waits: [{ words: 'nothing', hours: 0 }] }).steps).toHaveLength(2);
});

test('hours are said in tenths', () => {
  expect(ready({ hours: 6.26 }).steps.at(-1)!.words).toBe('6.3 h of work are done');
});

test('an answer is wanted by noon of the next open day', () => {
  expect(answerBy(shop, '2026-11-25T17:30')).toBe('2026-11-26T12:00');
  expect(answerBy(shop, '2026-11-27T09:00')).toBe('2026-11-30T12:00');
});

test('more work, more of others, or a later part is never ready sooner', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 0, max: 90 }),
      fc.integer({ min: 0, max: 90 }),
      fc.integer({ min: 0, max: 30 }),
      fc.integer({ min: 1, max: 20 }),
      (hours, queueHours, days, more) => {
        const of = (h: number, q: number, d: number) =>
          ready({ hours: h, queueHours: q, parts: [{ name: 'p', days: d }] }).at;
        const at = of(hours, queueHours, days);
        expect(of(hours + more, queueHours, days) >= at).toBe(true);
        expect(of(hours, queueHours + more, days) >= at).toBe(true);
        expect(of(hours, queueHours, days + more) >= at).toBe(true);
      },
    ),
  );
});
