import type { UnitDefinition } from '@/core/unit';
import { changed, four } from '@/tests/fixtures/four';
import { completenessWarnings } from './unit-completeness';

const said = (change: (u: UnitDefinition) => void) =>
  completenessWarnings(changed(change)).map(({ pointer, message }) => [pointer, message]);

test('the unit as it ships lacks nothing', () => expect(completenessWarnings(four)).toEqual([]));

test.each(['clutch', 'brake', 'band'] as const)('a %s has plates or a band', (kind) => {
  const k = four.elements.findIndex((e) => e.kind === kind);
  expect(
    said((u) => {
      delete u.elements[k]!.pack;
      delete u.elements[k]!.band;
    }),
  ).toEqual([
    [`/elements/${k}`, `"${four.elements[k]!.id}" has neither plates nor band: no capacity is known`],
  ]);
});

test('a one-way clutch and what the computer modulates are applied in no gear of the chart', () => {
  const spare = (more: Partial<UnitDefinition['elements'][number]>) =>
    said((u) => u.elements.push({ ...u.elements[0]!, id: 'spare', name: 'Spare', ...more }));
  expect(spare({})).toEqual([['/elements/8', '"spare" is applied in no gear']]);
  expect(spare({ application: 'modulated' })).toEqual([]);
  const oneWay = four.elements.find((e) => e.kind === 'one-way')!;
  expect(spare({ ...oneWay, id: 'spare' })).toEqual([]);
});

test('a member on one thing only carries nothing, unless that one slips on purpose', () => {
  const hung = (application?: 'modulated') =>
    said((u) => {
      u.members.push({ id: 'spare', name: 'Spare' });
      u.elements.push({
        ...u.elements[0]!,
        id: 'new',
        name: 'New',
        a: 'in',
        b: 'spare',
        ...(application && { application }),
      });
      u.gears[3]!.apply.push('new');
    });
  expect(hung()).toEqual([
    [`/members/${four.members.length}`, '"spare" hangs on one thing only: it carries nothing'],
  ]);
  expect(hung('modulated')).toEqual([]);
});

test('two gears of one ratio are said to be that, and neither the lower', () =>
  expect(said((u) => (u.gears[4]!.apply = [...u.gears[3]!.apply]))).toEqual([
    ['/gears/4/apply', 'D2 has the ratio of D1'],
  ]));

test('gears are numbered from the lowest up, in Drive', () => {
  expect(said((u) => ([u.gears[4]!.gear, u.gears[5]!.gear] = [u.gears[5]!.gear, u.gears[4]!.gear]))).toEqual([
    ['/gears/4', 'D2 is a lower gear than D3'],
  ]);
  expect(said((u) => (u.gears[1]!.gear = 9))).toEqual([]);
});
