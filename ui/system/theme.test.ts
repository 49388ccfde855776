import { readFileSync } from 'node:fs';
import path from 'node:path';

const text = readFileSync(path.join(__dirname, 'theme.tsx'), 'utf8');

/** Colours of a theme by token. */
function colours(selector: string): Record<string, string> {
  const from = text.indexOf(`${selector} {`);
  const block = text.slice(from, text.indexOf('}', from));
  return Object.fromEntries([...block.matchAll(/--([\w-]+): (#[0-9a-f]{6});/g)].map((m) => [m[1], m[2]]));
}

/** Relative luminance of a colour in sRGB (WCAG 2.2). */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5].map((k) => {
    const c = parseInt(hex.slice(k, k + 2), 16) / 255;
    return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
}

/** Contrast of two colours, from 1 to 21 (WCAG 2.2). */
function contrast(one: string, other: string): number {
  const [dark, bright] = [luminance(one), luminance(other)].sort((a, b) => a - b);
  return (bright! + 0.05) / (dark! + 0.05);
}

const PLACES = ['ground', 'sheet', 'inset'];
/** What is written on what. */
const WRITTEN: readonly [ink: string, on: readonly string[]][] = [
  ['ink', [...PLACES, 'accent-wash', 'bad-wash', 'warn-wash', 'good-wash']],
  ['ink-soft', PLACES],
  ['accent', [...PLACES, 'accent-wash']],
  ['accent-ink', ['accent']],
  ['bad', [...PLACES, 'bad-wash']],
  ['warn', [...PLACES, 'warn-wash']],
  ['good', [...PLACES, 'good-wash']],
  ['frame-ink', ['frame', 'frame-raised']],
  ['frame-soft', ['frame', 'frame-raised']],
];

test('black on white is 21, grey on itself is 1', () => {
  expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 9);
  expect(contrast('#777777', '#777777')).toBe(1);
  // The lightest grey that may be written on white.
  expect(contrast('#767676', '#ffffff')).toBeCloseTo(4.54, 2);
});

describe.each([
  ['light', ':root'],
  ['dark', ":root[data-theme='dark']"],
])('the %s theme', (_, selector) => {
  const theme = colours(selector);

  test.each(WRITTEN.flatMap(([ink, on]) => on.map((place) => [ink, place])))(
    '%s is read on %s',
    (ink, place) => {
      expect(contrast(theme[ink!]!, theme[place!]!)).toBeGreaterThanOrEqual(4.5);
    },
  );

  test('what is marked off by a strong rule is seen on every place', () => {
    for (const place of PLACES)
      expect(contrast(theme['rule-strong']!, theme[place]!)).toBeGreaterThanOrEqual(3);
  });
});

test('both themes have the same colours', () => {
  expect(Object.keys(colours(":root[data-theme='dark']"))).toEqual(Object.keys(colours(':root')));
});
