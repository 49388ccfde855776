import { shippedUnits } from '@/data/shipped';
import { faultKey, faultName, inForwardSense, pairsOf, singleFaults } from './index';
import type { Fault } from './index';

const four = shippedUnits.find((u) => u.id === 'ostrel-four')!;

test('each has a key and says what is wrong; a slip’s key leaves its capacity out', () => {
  const faults: [Fault, string, RegExp][] = [
    [{ kind: 'lost', element: 'high' }, 'lost:high', / lost$/],
    [{ kind: 'stuck', element: 'high' }, 'stuck:high', / stuck on$/],
    [{ kind: 'slip', element: 'high', capacityNm: 249.6 }, 'slip:high', / slipping above 250 N·m$/],
    [{ kind: 'break', part: 'sun-shell' }, 'break:sun-shell', / broken$/],
    [{ kind: 'strip', gearset: 'front' }, 'strip:front', / stripped$/],
  ];
  for (const [fault, key, words] of faults) {
    expect(faultKey(fault)).toBe(key);
    expect(faultName(four, fault)).toMatch(words);
  }
  const high = four.elements.find((e) => e.id === 'high')!.name;
  expect(faultName(four, faults[0]![0])).toBe(`${high} lost`);
  expect(faultName(four, faults[4]![0])).toBe(`${four.gearsets[0]!.name} stripped`);
  expect(faultName(four, { kind: 'strip', gearset: 'gone' })).toBe('gone stripped');
});

test('single faults: every element twice, every part that can part, every gearset', () => {
  const keys = singleFaults(four).map(faultKey);
  expect(new Set(keys).size).toBe(keys.length);
  const splitting = four.parts.filter((p) => p.splits).length;
  expect(keys).toHaveLength(2 * four.elements.length + splitting + four.gearsets.length);
  for (const wanted of ['lost:high', 'stuck:low-owc', 'break:sun-shell', 'strip:rear'])
    expect(keys).toContain(wanted);
});

test('pairs: each two once, none of them about one element twice', () => {
  const faults: Fault[] = [
    { kind: 'lost', element: 'high' },
    { kind: 'stuck', element: 'high' },
    { kind: 'lost', element: 'forward' },
    { kind: 'break', part: 'sun-shell' },
    { kind: 'strip', gearset: 'front' },
  ];
  expect(pairsOf(faults).map((pair) => pair.map(faultKey).join(' '))).toEqual([
    'lost:high lost:forward',
    'lost:high break:sun-shell',
    'lost:high strip:front',
    'stuck:high lost:forward',
    'stuck:high break:sun-shell',
    'stuck:high strip:front',
    'lost:forward break:sun-shell',
    'lost:forward strip:front',
    'break:sun-shell strip:front',
  ]);
});

test('Drive is positive and Reverse negative, whichever way the shafts of a unit turn', () => {
  expect(inForwardSense({ ...four, forwardSign: 1 }, 2.5)).toBe(2.5);
  expect(inForwardSense({ ...four, forwardSign: -1 }, 2.5)).toBe(-2.5);
  expect(inForwardSense({ ...four, forwardSign: -1 }, -2.5)).toBe(2.5);
});
