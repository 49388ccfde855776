import type { Scoper } from '@/core/scope';
import { recommend } from './recommend';
import type { QuoteOption } from './schema';

const option = (id: QuoteOption['id'], total: number, shareOfValue: number | null = null) =>
  ({ id, total, shareOfValue }) as QuoteOption;
const ALL = [option('targeted', 2000), option('full', 3000), option('no-repair', 500)];
const open: Scoper['open'] = [
  { repair: 'targeted', barred: null, reason: null },
  { repair: 'full', barred: null, reason: null },
];
const standing = { undetermined: false, targetedFirst: true, apart: true, called: true };
const said = (options = ALL, more = {}, repairs = open) =>
  recommend(options, repairs, { ...standing, ...more });

test('what failed is repaired where the shop works so and the evidence allows it', () => {
  expect(said()).toEqual({
    option: 'targeted',
    why: 'What failed is known and local: what is sound stays in.',
  });
  expect(said(ALL, { apart: false })!.why).toMatch(/if the inside agrees/);
});

test('else everything is renewed, as that shop works, or because something bars the rest', () => {
  expect(said(ALL, { targetedFirst: false })).toMatchObject({
    option: 'full',
    why: expect.stringMatching(/how this shop works/),
  });
  const barred: Scoper['open'] = [
    { repair: 'targeted', barred: 'Metal everywhere.', reason: null },
    open[1]!,
  ];
  expect(said(ALL.slice(1), {}, barred)).toEqual({ option: 'full', why: 'Metal everywhere.' });
  expect(said(ALL.slice(1), {}, [open[1]!])!.why).toMatch(/renewed and set/);
});

test('a doubt is renewed away once it is apart, and looked into while it is not', () => {
  expect(said(ALL, { undetermined: true })).toMatchObject({
    option: 'full',
    why: expect.stringMatching(/not certain/),
  });
  expect(said(ALL, { undetermined: true, apart: false })).toBeNull();
  const dear = [option('targeted', 2000, 0.4), option('full', 3000, 0.6), ALL[2]!];
  expect(said(dear, { undetermined: true })!.option).toBe('targeted');
});

test('an overhaul that costs more than half of the vehicle gives way to the repair', () => {
  const dear = [option('targeted', 2000, 0.4), option('full', 3000, 0.51), ALL[2]!];
  expect(said(dear, { targetedFirst: false })).toMatchObject({
    option: 'targeted',
    why: expect.stringMatching(/more than half/),
  });
  const half = [option('targeted', 2000, 0.4), option('full', 3000, 0.5), ALL[2]!];
  expect(said(half, { targetedFirst: false })!.option).toBe('full');
});

test('none is recommended that costs more than the vehicle is worth', () => {
  const poor = [option('targeted', 2000, 1.01), option('full', 3000, 1.5), option('no-repair', 500, 0.2)];
  expect(said(poor)).toEqual({
    option: 'no-repair',
    why: 'Even the cheapest repair costs more than the vehicle is worth.',
  });
  const worth = [option('full', 3000, 1.5), option('targeted', 2000, 1), option('no-repair', 500, 0.2)];
  expect(said(worth)!.option).toBe('targeted');
});

test('nor where nothing inside calls for one', () => {
  expect(said(ALL, { called: false })).toMatchObject({ option: 'no-repair' });
  expect(said(ALL, { called: false, apart: false })!.option).toBe('targeted');
});

test('the upgrade, where something calls for it', () => {
  const options = [...ALL, option('upgrade', 3500)];
  const called: Scoper['open'] = [
    ...open,
    { repair: 'upgrade', barred: null, reason: 'Heat did the damage' },
  ];
  expect(said(options, {}, called)).toEqual({
    option: 'upgrade',
    why: 'The same repair would meet the same load again: heat did the damage.',
  });
  expect(said(ALL, {}, called)!.option).toBe('targeted');
  expect(said(options, {}, open)!.option).toBe('targeted');
});
