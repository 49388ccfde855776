import { shippedUnits } from '@/data/shipped';
import type { ShowKind } from './schema';
import { heardIn, NOTHING, signsOf } from './shows';
import type { Aim } from './shows';
import { structureOf } from './structure';

const structure = (id: string) => structureOf(shippedUnits.find((u) => u.id === id)!);
const aim = (more: Partial<Aim>): Aim => ({ ...NOTHING, ...more });

/** "gear kind strength like" per sign. */
const signs = (unit: string, as: ShowKind, at: Partial<Aim> = {}, sure = 1) =>
  signsOf(structure(unit), { shows: [{ as, with: sure }] }, aim(at)).map(
    ({ gear, kind, strength, actsLike }) =>
      `${gear} ${kind} ${+strength.toFixed(3)}${actsLike ? ` like ${actsLike}` : ''}`,
  );

describe('what shows in the gears, from the unit alone', () => {
  test('an element that is lost, and one that is on', () => {
    expect(signs('ostrel-four', 'lost', { elements: ['band-2-4'] }, 0.9)).toEqual([
      'D2 lower 0.9 like D1',
      'D4 lower 0.9 like D3',
      'L2 lower 0.9 like D1',
    ]);
    expect(signs('ostrel-four', 'stuck', { elements: ['forward'] })).toEqual([
      'P moves 1 like D1',
      'R tie-up 1',
      'N moves 1 like D1',
    ]);
  });
  test('one that drags fights a little where it would fight, and creeps more readily than it binds', () => {
    expect(signs('ostrel-four', 'drag', { elements: ['forward'] })).toEqual([
      'P moves 0.6 like D1',
      'R tie-up 0.4',
      'N moves 0.6 like D1',
    ]);
    expect(signs('ostrel-four', 'drag', { elements: ['high'] })[1]).toBe('D1 higher 0.1 like D3');
  });
  test('lock-up: shudder where it locks up, stalling in the gears the car starts from, at any other less', () => {
    expect(signs('ostrel-six', 'shudder')).toEqual(
      ['D2', 'D3', 'D4', 'D5', 'D6'].map((g) => `${g} shudder 1`),
    );
    expect(signs('ostrel-six', 'stall')).toEqual([
      'R stall 0.9',
      'D1 stall 0.9',
      ...['D2', 'D3', 'D4', 'D5', 'D6'].map((g) => `${g} stall 0.3`),
    ]);
  });
  test('only what drives a second axle winds up', () => {
    expect(signs('ostrel-five-x', 'wind-up', { elements: ['transfer'] })).toHaveLength(6);
    expect(signs('ostrel-five-x', 'wind-up', { elements: ['transfer'] })[0]).toBe('R wind-up 1');
    expect(signs('ostrel-five-x', 'wind-up', { elements: ['forward'] })).toEqual([]);
    expect(signs('ostrel-four', 'wind-up', { elements: ['forward'] })).toEqual([]);
  });
  test('late from rest: everything, or where the element takes part', () => {
    expect(signs('ostrel-six', 'late')).toEqual(['R late 1', 'D1 late 1']);
    expect(signs('ostrel-six', 'late', { elements: ['K2'] })).toEqual(['R late 1']);
    expect(signs('ostrel-six', 'late', { elements: ['K3'] })).toEqual([]);
  });
  test('a broken path, and no pressure at all', () => {
    expect(
      signs('ostrel-four', 'break', { part: 'sun-shell' }).map((s) => s.split(' ').slice(0, 2).join(' ')),
    ).toEqual(['R neutral', 'D2 lower', 'D4 lower', 'L2 lower']);
    const none = signs('ostrel-four', 'none');
    expect(none).toContain('R neutral 1');
    expect(none).toContain('D1 neutral 1');
  });
  test('a shift solenoid at one end gives the gear whose pattern is left, or the loss of its own element', () => {
    // Second is S1 and S2: without S1 the pattern is third's, without S2 first's.
    expect(signs('ostrel-four', 'off', { solenoid: 'S1' })).toContain('D2 higher 1 like D3');
    expect(signs('ostrel-four', 'off', { solenoid: 'S2' })).toContain('D2 lower 1 like D1');
    expect(signs('ostrel-six', 'off', { solenoid: 'S-K1' })).toEqual(
      signs('ostrel-six', 'lost', { elements: ['K1'] }),
    );
    expect(signs('ostrel-six', 'on', { solenoid: 'S-K1' })).toEqual(
      signs('ostrel-six', 'stuck', { elements: ['K1'] }),
    );
  });
  test('the fallback: low gears too high, high gears too low, Reverse as it is', () => {
    expect(signs('ostrel-six', 'limp').map((s) => s.split(' ').slice(0, 2).join(' '))).toEqual([
      'D1 higher',
      'D2 higher',
      'D3 higher',
      'D4 lower',
      'D5 lower',
      'D6 lower',
    ]);
  });
  test('another range than the one selected: Park and Neutral may move, the rest may do nothing', () => {
    const astray = signs('ostrel-six', 'astray');
    expect(astray.slice(0, 2)).toEqual(['P moves 1', 'N moves 1']);
    expect(astray.slice(2)).toHaveLength(7);
    expect(new Set(astray.slice(2).map((s) => s.split(' ').slice(1).join(' ')))).toEqual(
      new Set(['neutral 0.7']),
    );
  });
  test('a weak element slips for sure where it carries most, hardly where it carries little, never where nothing', () => {
    const s = structure('ostrel-six');
    const slips = signs('ostrel-six', 'slip', { elements: ['K2'] });
    const of = (gear: string) => Number(slips.find((x) => x.startsWith(`${gear} `))?.split(' ')[2] ?? 0);
    for (const gear of s.unit.gears.filter((g) => g.gear !== null || g.range === 'R')) {
      const share = s.share('K2', gear.key);
      const expected = share === 0 ? 0 : Math.min(1, Math.max(0.1, (share - 0.3) / 0.6));
      expect(of(gear.key)).toBeCloseTo(expected, 2);
    }
    expect(of('R')).toBe(1);
    expect(of('D1')).toBe(0);
  });
  test('rough everywhere; what may be anything shows in every way, moving out of Park less', () => {
    expect(signs('ostrel-six', 'rough')).toHaveLength(7);
    const any = signs('ostrel-six', 'any');
    expect(any).toContain('D1 slip 1');
    expect(any).toContain('D1 tie-up 0.5');
    expect(any).toContain('N moves 0.5');
    expect(any).toHaveLength(6 * 7 + 2);
  });
  test('what hardly ever shows is left out, and when it shows is kept', () => {
    expect(signs('ostrel-four', 'lost', { elements: ['high'] }, 0.005)).toEqual([]);
    const [hot] = signsOf(
      structure('ostrel-four'),
      { shows: [{ as: 'lost', with: 1, when: 'hot' }] },
      aim({ elements: ['high'] }),
    );
    expect(hot!.when).toBe('hot');
    expect(signsOf(structure('ostrel-four'), {}, NOTHING)).toEqual([]);
  });
});

describe('where a thing is heard', () => {
  test('in the gears in which its set turns or its part works; else in all', () => {
    const s = structure('ostrel-eight');
    expect([...heardIn(s, { noise: 0.7 }, aim({ gearset: 'P1' }))!.gears].sort()).toEqual([
      'D3',
      'D4',
      'D5',
      'D7',
      'D8',
    ]);
    expect(heardIn(s, { noise: 0.7 }, aim({ gearset: 'P1' }))!.strength).toBe(0.7);
    expect(heardIn(s, { noise: 0.7 }, NOTHING)!.gears.size).toBe(s.unit.gears.length);
    expect(heardIn(s, {}, aim({ gearset: 'P1' }))).toBeNull();
    const four = structure('ostrel-four');
    expect([...heardIn(four, { noise: 1 }, aim({ part: 'thrust-shell' }))!.gears]).toEqual([
      'R',
      'D1',
      'D3',
      'L1',
    ]);
  });
});
