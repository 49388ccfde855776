import { STAGES } from '@/core/stage';
import type { Calendar } from './calendar';
import { promiseRisk, usualReady } from './promise';

const day = { from: '08:00', to: '16:00' };
const shop: Calendar = {
  opening: { mon: day, tue: day, wed: day, thu: day, fri: day, sat: null, sun: null },
  holidays: ['2026-12-01'],
};

test('what a stage usually takes is counted in open days', () => {
  const on = (stage: (typeof STAGES)[number]) => usualReady(shop, '2026-11-25T10:00', stage);
  expect(on('release')).toBe('2026-11-26');
  expect(on('build')).toBe('2026-11-27');
  expect(on('quote')).toBe('2026-12-02');
  expect(on('intake')).toBe('2026-12-04');
  expect(usualReady(shop, '2026-11-28T10:00', 'release')).toBe('2026-12-02');
  const days = STAGES.map(on);
  expect(days).toEqual([...days].sort().reverse());
});

test('a promise is past, cannot be met, is tight, or stands', () => {
  const risk = (more: Partial<Parameters<typeof promiseRisk>[0]>) =>
    promiseRisk({ promised: '2026-12-02', readyAt: null, usual: null, ...more }, '2026-11-30');
  expect(risk({ promised: null, readyAt: '2026-12-09T10:00' })).toBe('none');
  expect(risk({ promised: '2026-11-29' })).toBe('late');
  expect(risk({ promised: '2026-11-30' })).toBe('none');
  expect(risk({ readyAt: '2026-12-03T08:00' })).toBe('clash');
  expect(risk({ readyAt: '2026-12-02T16:00', usual: '2026-12-09' })).toBe('none');
  expect(risk({ usual: '2026-12-03' })).toBe('tight');
  expect(risk({ usual: '2026-12-02' })).toBe('none');
});
