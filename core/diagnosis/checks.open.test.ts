import { tiny } from '@/tests/fixtures/tiny';
import type { Tiny, TinyLinks } from '@/tests/fixtures/tiny';
import { looksAt, openChecks } from './checks';
import type { Bearing } from './posterior';

const links: TinyLinks = {
  'm-seen': { on: ['m'], levels: { sound: [0.8, 0.05], burnt: [0.05, 0.7] } },
  'a-seen': { on: ['a'], levels: { fine: [0.95, 0.1], bad: [0.05, 0.9] } },
};
const telling = (points: string[], more = {}) =>
  tiny(
    [{ id: 'a', leak: 0.1 }],
    [{ id: 'm', leak: 0.02, from: { a: 0.9 } }],
    links,
    points.map((point) => ({ id: `do-${point}`, point, minutes: 5, words: point, ...more })),
  );

describe('what is open', () => {
  const points = (t: Tiny, bearings: Bearing[] = [], more = {}) =>
    openChecks(t.model, t.link, t.known(bearings, more)).map((c) => c.point);
  test('what was looked at is not, unless the look was weak', () => {
    const t = telling(['m-seen', 'a-seen']);
    expect(points(t)).toEqual(['m-seen', 'a-seen']);
    expect(points(t, [t.found('m-seen', 'burnt', 0.6)])).toEqual(['a-seen']);
    expect(points(t, [t.found('m-seen', 'burnt', 0.59)])).toEqual(['m-seen', 'a-seen']);
  });
  test('nor what needs the vehicle whole once it is not, nor what hangs on nothing', () => {
    const t = telling(['m-seen', 'unheard-of'], { onVehicle: true });
    expect(points(t)).toEqual(['m-seen']);
    expect(points(t, [], { opened: true })).toEqual([]);
    expect(points(telling(['m-seen']), [], { opened: true })).toEqual(['m-seen']);
  });
});

describe('where a check is made', () => {
  /** Every point of a template on the four-speed. */
  const places = (point: string, words: string, roots: object[] = [], others: string[] = []) => {
    const t = tiny(
      roots.map((more, k) => ({ id: `r${k}`, leak: 0.1, with: more })),
      [],
      {},
      [point, ...others].map((p, k) => ({ id: `c${k}`, point: p, minutes: 5, words })),
    );
    const all = { nodes: [0], direct: true, levels: {} };
    return openChecks(t.model, () => all, t.known()).filter((c) => c.check === 'c0');
  };
  test('at every element with a lining, where it has what is looked at', () => {
    const packs = places('pack.air-test:$e', 'Air-test the {e}');
    expect(packs.map((c) => c.point)).toEqual(
      ['forward', 'overrun', 'high', 'reverse', 'low-reverse'].map((e) => `pack.air-test:${e}`),
    );
    expect(packs[2]!.words).toBe('Air-test the high clutch');
    expect(places('band.air-test:$e', '').map((c) => c.point)).toEqual(['band.air-test:band-2-4']);
    // No point of the catalogue: a fact that is made of several.
    expect(places('lining:$e', 'Open the {e}')).toHaveLength(6);
  });
  test('at every set and solenoid', () => {
    expect(places('planetary.pins:$g', 'the {g}, all of the {g}')).toEqual([
      {
        check: 'c0',
        point: 'planetary.pins:front',
        minutes: 5,
        words: 'the front planetary, all of the front planetary',
      },
      {
        check: 'c0',
        point: 'planetary.pins:rear',
        minutes: 5,
        words: 'the rear planetary, all of the rear planetary',
      },
    ]);
    const coils = places('solenoid.resistance:$s', 'Measure {s}');
    expect(coils.map((c) => c.point)).toEqual(
      ['S1', 'S2', 'S3', 'PC', 'LU'].map((s) => `solenoid.resistance:${s}`),
    );
    expect(coils[0]!.words).toBe('Measure the shift solenoid S1');
  });
  test('at the parts that have what is looked at', () => {
    expect(places('filter.pleats:$p', 'Cut {p}')).toEqual([
      { check: 'c0', point: 'filter.pleats:filter', minutes: 5, words: expect.stringMatching(/^Cut the /) },
    ]);
  });
  test('at parts that can be a cause, but not solenoids, nor what a check of its own opens', () => {
    const roots = [
      { part: 'filter' },
      { part: 'pump-cover' },
      { part: 'solenoid-s1', solenoid: 'S1' },
      { part: null },
    ];
    expect(places('part:$p', 'Look at {p}', roots).map((c) => c.point)).toEqual([
      'part:filter',
      'part:pump-cover',
    ]);
    expect(places('part:$p', '', roots, ['filter.pleats:$p']).map((c) => c.point)).toEqual([
      'part:pump-cover',
    ]);
    expect(
      places('part:$p', '', roots, ['planetary.pins:$g', 'debris.fibre']).map((c) => c.point),
    ).toHaveLength(2);
  });
});

describe('looking straight at a cause', () => {
  const t = tiny(
    [
      { id: 'a', leak: 0.1 },
      { id: 'rest', leak: 0.1, with: { mode: 'other' } },
      { id: 'b', leak: 0.1 },
    ],
    [
      { id: 'itself', leak: 0, from: { a: 0.95 } },
      { id: 'nearly', leak: 0, from: { a: 0.94, rest: 0.99 } },
    ],
    {
      a: { on: ['a'], levels: {} },
      rest: { on: ['rest'], levels: {} },
      both: { on: ['b', 'a'], levels: {} },
      itself: { on: ['itself'], levels: {} },
      nearly: { on: ['nearly'], levels: {} },
    },
  );
  const looks = (point: string, id: string) => looksAt(t.model, t.link, point, t.at(id));
  test('through itself, one of several, or what it all but equals', () => {
    expect(['a', 'both', 'itself'].map((p) => looks(p, 'a'))).toEqual([true, true, true]);
    expect(looks('both', 'b')).toBe(true);
    expect(['nearly', 'rest', 'no such point'].map((p) => looks(p, 'a'))).toEqual([false, false, false]);
    expect(looks('itself', 'b')).toBe(false);
  });
  test('what is not in the model cannot be looked at', () => {
    expect(looks('rest', 'rest')).toBe(false);
    expect(looks('nearly', 'rest')).toBe(false);
  });
});
