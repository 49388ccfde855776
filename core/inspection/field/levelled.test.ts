import type { Finding } from '@/core/case';
import { choice } from './choice';
import type { Judged, Kind, Levels } from './kind';
import { levelsCell } from './levelled';
import { scale } from './scale';
import { test as tried } from './test';

const sound = { id: 'sound', words: 'Sound', severity: 0 };
const cracked = { id: 'cracked', words: 'Cracked', severity: 3 };
const red = { id: 'red', words: 'Red' };
const list = [sound, cracked, red];
const levels: Levels = new Map(list.map((l) => [l.id, l]));
const other = () => {
  throw new RangeError('no scale');
};

const kinds: [string, Kind, object][] = [
  ['choice', choice as unknown as Kind, { kind: 'choice', options: list }],
  ['test', tried as unknown as Kind, { kind: 'test', options: list }],
  ['scale', scale as unknown as Kind, { kind: 'scale', scale: 'state' }],
];

describe.each(kinds)('%s', (name, kind, described) => {
  const field = described as Parameters<Kind['words']>[0];
  const judged = (is: Finding['is']) => kind.judge(field, levels, { finding: { is } } as unknown as Judged);

  test('is a word of its list', () => {
    const own = name === 'scale' ? (id: string) => ({ id, words: '', levels: list }) : other;
    expect(kind.levels(field, own as never)).toBe(list);
  });

  test('says its level, and how bad that is where the word tells', () => {
    expect(judged('cracked')).toEqual({ level: 'cracked', severity: 3 });
    expect(judged('red')).toEqual({ level: 'red', severity: undefined });
    expect(judged('ghost')).toBeNull();
    expect(judged(1)).toBeNull();
  });

  test('reads as a person says it', () => {
    const say = (level: string) => levels.get(level)?.words ?? 'Cannot tell';
    expect(kind.words(field, 'cracked', say)).toBe('cracked');
    expect(kind.words(field, 'cannot-tell', say)).toBe('cannot tell');
    expect(kind.words(field, 2, say)).toBe('');
  });

  test('takes its words and what stands in their place, and names them to whoever gave another', () => {
    expect(kind.value(field, levels, ['cannot-tell', 'takedown'])).toEqual({
      enum: ['sound', 'cracked', 'red', 'cannot-tell', 'takedown'],
    });
    expect(kind.remedy(field, levels)).toBe('Use one of: sound, cracked, red, cannot-tell, takedown.');
    expect(kind.cell(field, levels)).toBe('`sound` 0, `cracked` 3, `red`');
  });
});

test('levels of a cell are told apart by commas', () => expect(levelsCell(new Map())).toBe(''));
