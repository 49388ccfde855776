import type { Gearset } from '@/core/unit';
import { gearTerms } from './gear-equation';

const planetary = (planets: 'single' | 'double') =>
  ({
    id: 'g',
    kind: 'planetary',
    planets,
    sun: { member: 's', teeth: 30 },
    ring: { member: 'r', teeth: 70 },
    carrier: 'c',
  }) as unknown as Gearset;
const mesh = (kind: 'external' | 'internal' | 'idler') =>
  ({
    id: 'g',
    kind: 'mesh',
    mesh: kind,
    first: { member: 'a', teeth: 20 },
    second: { member: 'b', teeth: 50 },
  }) as unknown as Gearset;

/** Turns of `driven` for one of `driving`, the third member held: from Σ weight·ω = 0. */
function turns(set: Gearset, driving: string, driven: string): number {
  const weight = (member: string) => gearTerms(set).find((t) => t.member === member)!.weight;
  return -weight(driving) / weight(driven);
}

test.each([planetary('single'), planetary('double'), mesh('internal')])(
  'names each gear once, in the member it is cut on',
  (set) => {
    const gears = gearTerms(set).map(({ member, gear }) => `${member} ${gear}`);
    expect(gears).toEqual(set.kind === 'mesh' ? ['a first', 'b second'] : ['s sun', 'r ring', 'c carrier']);
  },
);

test('a planetary set that turns as one does so whatever its planets', () => {
  for (const planets of ['single', 'double'] as const)
    expect(gearTerms(planetary(planets)).reduce((sum, t) => sum + t.weight, 0)).toBeCloseTo(0, 12);
});

test('single pinions: with the ring held the carrier takes 1 + Zr/Zs turns of the sun, with the carrier held the ring turns back', () => {
  expect(1 / turns(planetary('single'), 's', 'c')).toBeCloseTo(1 + 70 / 30, 12);
  expect(turns(planetary('single'), 's', 'r')).toBeCloseTo(-30 / 70, 12);
});

test('double pinions: with the ring held the carrier goes against the sun, with the carrier held the ring with it', () => {
  expect(1 / turns(planetary('double'), 's', 'c')).toBeCloseTo(1 - 70 / 30, 12);
  expect(turns(planetary('double'), 's', 'r')).toBeCloseTo(30 / 70, 12);
});

test('meshing gears turn against each other; within a ring gear, or over an idler, with each other', () => {
  expect(turns(mesh('external'), 'a', 'b')).toBeCloseTo(-20 / 50, 12);
  expect(turns(mesh('internal'), 'a', 'b')).toBeCloseTo(20 / 50, 12);
  expect(turns(mesh('idler'), 'a', 'b')).toBeCloseTo(20 / 50, 12);
});
