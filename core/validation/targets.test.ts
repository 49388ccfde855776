import type { Json } from '@/core/case';
import { shippedUnits } from '@/data/shipped';
import { checkTarget } from './targets';

const unit = shippedUnits.find((u) => u.id === 'ostrel-four')!;
const operation = unit.labour[0]!.id;
const check = (slot: string, value: Json = { is: 'x' }) => checkTarget(unit, slot, value);

test('what a slot names has to be there: gear, station, variant, part', () => {
  const variant = unit.variants[0]!.id;
  for (const [slot, wrong, what] of [
    ['grid.D2.shop', 'grid.D9.shop', 'gear'],
    ['station.pan.out', 'station.attic.out', 'station'],
    [`scope.variant.${variant}`, 'scope.variant.other', 'variant'],
    ['scope.source.sun-shell', 'scope.source.ghost', 'part'],
  ] as const) {
    expect([slot, check(slot)]).toEqual([slot, []]);
    const [problem] = check(wrong);
    expect(problem).toMatchObject({
      pointer: '',
      message: expect.stringContaining(`${unit.name} has no ${what} "`),
      remedy: expect.stringMatching(/^Use one of: .+\.$/),
    });
  }
});

test('a slot that points nowhere is none of its business', () => {
  expect(check('complaint.words', 'slips')).toEqual([]);
  expect(check('no.such.slot')).toEqual([]);
});

test('a scope line’s part and operation have to be the unit’s', () => {
  const line = (value: Json) => check('scope.line.own-1', value);
  expect(line({ change: 'add', name: 'x' })).toEqual([]);
  expect(line({ part: 'sun-shell', operation })).toEqual([]);
  expect(line(null)).toEqual([]);
  expect(line({ part: 'ghost', operation })).toMatchObject([
    { pointer: '/part', message: `${unit.name} has no part "ghost"` },
  ]);
  expect(line({ part: 'sun-shell', operation: 'dance' })).toMatchObject([
    { pointer: '/operation', message: `${unit.name} has no operation "dance"` },
  ]);
});

test('a unit with none of a thing says so; one with many names the first', () => {
  const bare = { ...unit, variants: [] };
  expect(checkTarget(bare, 'scope.variant.other', 'x')).toMatchObject([
    { remedy: 'This unit has no variant at all.' },
  ]);
  const parts = Array.from({ length: 30 }, (_, k) => ({ ...unit.parts[0]!, id: `p${k}` }));
  const [problem] = checkTarget({ ...unit, parts }, 'scope.line.own-1', { part: 'ghost' });
  expect(problem!.remedy).toMatch(/^Use one of: p0, .+, p23, …\.$/);
  const few = { ...unit, parts: parts.slice(0, 24) };
  expect(checkTarget(few, 'scope.line.own-1', { part: 'ghost' })[0]!.remedy).toMatch(/, p23\.$/);
});
