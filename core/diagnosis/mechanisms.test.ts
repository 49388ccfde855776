import { shippedUnits } from '@/data/shipped';
import { buildMechanisms, named, standsFor } from './mechanisms';
import { NOTHING } from './shows';
import type { Aim } from './shows';
import { structureOf } from './structure';

const structure = (id: string) => structureOf(shippedUnits.find((u) => u.id === id)!);
const aim = (more: Partial<Aim>): Aim => ({ ...NOTHING, ...more });

describe('names of mechanisms', () => {
  test('holes are filled by what is aimed at, and left empty where there is none', () => {
    expect(named('a:$e', aim({ elements: ['high', 'low'] }))).toBe('a:high');
    expect(named('a:$g', aim({ gearset: 'P1' }))).toBe('a:P1');
    expect(named('a:$x', aim({ part: 'shell' }))).toBe('a:shell');
    expect(named('a:$s', aim({ solenoid: 'S1' }))).toBe('a:S1');
    expect(named('a:$e$g$x$s', NOTHING)).toBe('a:');
    expect(named('a', NOTHING)).toBe('a');
  });
  test('a name stands for one, for all, for neighbours, for every element of the aim, or for a path', () => {
    const s = structure('ostrel-four');
    const ids = ['burnt:high', 'burnt:reverse', 'heat:high', 'burnt'];
    expect(standsFor(s, ids, 'burnt:*', NOTHING)).toEqual(['burnt:high', 'burnt:reverse']);
    expect(standsFor(s, ids, 'burnt:@neighbours', aim({ elements: ['forward'] }))).toEqual(['burnt:overrun']);
    expect(standsFor(s, ids, 'burnt:$e', aim({ elements: ['high', 'reverse'] }))).toEqual([
      'burnt:high',
      'burnt:reverse',
    ]);
    expect(standsFor(s, ids, 'open:$x', aim({ part: 'sun-shell' }))).toEqual(['open:sun-shell']);
    expect(standsFor(s, ids, 'open:$x', aim({ part: 'filter' }))).toEqual([]);
    expect(standsFor(s, ids, 'burnt', NOTHING)).toEqual(['burnt']);
  });
  test('each scope makes one for each of its own', () => {
    const s = structure('hadric-five');
    const make = (each?: 'friction' | 'fed' | 'element' | 'gearset' | 'path' | 'solenoid') =>
      buildMechanisms(s, {
        mechanisms: [
          { id: 'm', leak: 0.1, words: 'w', plain: null, parents: {}, why: 'y', ...(each ? { each } : {}) },
        ],
      } as never);
    const { elements, gearsets, solenoids } = s.unit;
    expect(make()).toHaveLength(1);
    expect(make('friction').map((m) => m.element)).toEqual(['C1', 'C2', 'C3', 'C4R', 'C5']);
    expect(make('fed').map((m) => m.element)).toEqual(
      expect.arrayContaining(['C1', 'dog-forward', 'dog-reverse']),
    );
    expect(make('element')).toHaveLength(elements.length);
    expect(make('gearset')).toHaveLength(gearsets.length);
    expect(make('solenoid')).toHaveLength(solenoids.length);
    expect(make('path')).toHaveLength(s.paths.size);
    expect(make('element')[0]).toMatchObject({ leak: 0.1, words: 'w', element: elements[0]!.id });
  });
});
