import type { UnitDefinition } from '@/core/unit';
import { changed, set } from '@/tests/fixtures/four';
import { teethWarnings } from './unit-teeth';

/** What is said of the teeth of a unit whose first set is this. */
function said(planetary: Partial<ReturnType<typeof set>>, sun = 35, ring = 75): [string, string][] {
  const unit = changed((u) => {
    u.gearsets.splice(1);
    Object.assign(set(u), { pinions: undefined }, planetary);
    [set(u).sun.teeth, set(u).ring.teeth] = [sun, ring];
  });
  return teethWarnings(unit).map(({ pointer, message }) => [pointer, message]);
}

test('nothing is asked of pinions that nobody stated', () => expect(said({})).toEqual([]));

test('half a tooth, unless the pinions are stated', () => {
  expect(said({}, 35, 74)).toEqual([['/gearsets/0', 'ring − sun is odd: the pinions would have 19.5 teeth']]);
  expect(said({ pinions: { count: 2, teeth: [19] } }, 36, 74)).toEqual([]);
});

test('stated pinions fit to a tooth, for profiles may be shifted', () => {
  const pinions = (teeth: number) => said({ pinions: { count: 2, teeth: [teeth] } });
  expect(pinions(20)).toEqual([]);
  expect(said({ pinions: { count: 3, teeth: [20] } }, 35, 76)).toEqual([]);
  expect(pinions(21)).toEqual([['/gearsets/0/pinions/teeth', 'sun + 2 × pinion is 77, the ring has 75']]);
});

test('neighbours keep clear: 55·sin(180°/n) must be more than 22', () => {
  const touching = (count: number) => said({ pinions: { count } }).filter(([, words]) => /touch/.test(words));
  // One alone has no neighbour.
  expect(touching(1)).toEqual([]);
  // 23.9 and 21.0.
  expect(touching(7)).toEqual([]);
  expect(touching(8)).toEqual([['/gearsets/0/pinions/count', '8 pinions would touch each other']]);
});

test('equal spacing: of single pinions the sum is a multiple of their number, of pairs the difference', () => {
  const uneven = (planets: 'single' | 'double', count: number) =>
    said({ planets, pinions: { count } }).filter(([, words]) => /evenly/.test(words));
  expect(uneven('single', 5)).toEqual([]);
  expect(uneven('single', 4)).toEqual([
    ['/gearsets/0/pinions/count', '4 pinions cannot stand evenly: 110 is not a multiple of 4'],
  ]);
  expect(uneven('double', 4)).toEqual([]);
  expect(uneven('double', 3)).toEqual([
    ['/gearsets/0/pinions/count', '3 pinions cannot stand evenly: 40 is not a multiple of 3'],
  ]);
});

test('an internal mesh needs two sizes', () => {
  const mesh = (first: number, kind: 'internal' | 'external') =>
    teethWarnings(
      changed((u) => {
        u.gearsets = [
          {
            id: 'pair',
            name: 'Pair',
            kind: 'mesh',
            mesh: kind,
            first: { member: 'in', teeth: first },
            second: { member: 'out', teeth: 40 },
            station: 'pan',
          },
        ] satisfies UnitDefinition['gearsets'];
      }),
    ).map((p) => p.pointer);
  expect(mesh(40, 'internal')).toEqual(['/gearsets/0']);
  expect(mesh(39, 'internal')).toEqual([]);
  expect(mesh(40, 'external')).toEqual([]);
});
