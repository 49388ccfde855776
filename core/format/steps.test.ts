import { currentFormat, moveUp } from './index';
import type { Format } from './index';

const kept: Format<{ unit: string }> = {
  name: 'pelvik-thing',
  steps: [
    (t) => ({ ...t, second: true }),
    (t, { unit }) => ({ ...t, third: `${String(t.second)} on ${unit}` }),
  ],
};
const up = (format: string, more: object = {}) => moveUp(kept, { format, ...more }, { unit: 'x' });

test('a document is brought up one step after the other, from where it stands', () => {
  expect(currentFormat(kept)).toBe('pelvik-thing/3');
  expect(up('pelvik-thing/1', { own: 1 })).toEqual({
    format: 'pelvik-thing/3',
    own: 1,
    second: true,
    third: 'true on x',
  });
  expect(up('pelvik-thing/2')).toEqual({ format: 'pelvik-thing/3', third: 'undefined on x' });
  expect(up('pelvik-thing/3', { own: 1 })).toEqual({ format: 'pelvik-thing/3', own: 1 });
});

test.each(['pelvik-thing/4', 'pelvik-thing/0', 'pelvik-thing/1.5', 'pelvik-thing', 'pelvik-other/1', ''])(
  '"%s" is not known here',
  (format) => expect(() => up(format)).toThrow(/is not known here: pelvik-thing\/3 is the newest/),
);
