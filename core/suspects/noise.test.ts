import type { Complaint } from '@/core/case';
import { shippedUnits } from '@/data/shipped';
import { complaint as told } from '@/tests/fixtures/told';
import { noiseSources, noiseTable } from './index';

const unitOf = (id: string) => shippedUnits.find((u) => u.id === id)!;
const grid = (cells: Record<string, 'normal' | 'noise'>): Complaint[] =>
  Object.entries(cells).map(([gear, what]) =>
    what === 'noise' ? told(gear, [], { noises: ['whine'] }) : told(gear, ['normal']),
  );

test('a whine in third, fourth, fifth, seventh and eighth alone: the pinions of P1', () => {
  const eight = noiseTable(unitOf('ostrel-eight'));
  const complaint = grid({
    R: 'normal',
    D1: 'normal',
    D2: 'normal',
    D3: 'noise',
    D4: 'noise',
    D5: 'noise',
    D6: 'normal',
    D7: 'noise',
    D8: 'noise',
  });
  const sources = noiseSources(eight, complaint);
  expect(sources[0]).toMatchObject({ id: 'P1-pinion', disagree: [] });
  expect(sources.slice(1).every((s) => s.disagree.length > 0)).toBe(true);
});

test('on parallel shafts the pair that carries: noise in second only', () => {
  const sources = noiseSources(
    noiseTable(unitOf('hadric-five')),
    grid({ D1: 'normal', D2: 'noise', D3: 'normal', D4: 'normal', R: 'normal' }),
  );
  expect(sources[0]).toMatchObject({ id: 'second', kind: 'mesh', disagree: [] });
});

test('no noise reported, no source; a limp gear counts for nothing', () => {
  const table = noiseTable(unitOf('ostrel-six'));
  expect(noiseSources(table, grid({ D1: 'normal' }))).toEqual([]);
  const [cell] = grid({ D1: 'noise' });
  expect(noiseSources(table, [{ ...cell!, cell: { ...cell!.cell, limp: true } }])).toEqual([]);
});

test('every source works in some gears and is named once', () => {
  for (const unit of shippedUnits) {
    const table = noiseTable(unit);
    expect(new Set(table.map((s) => s.id)).size).toBe(table.length);
    for (const s of table) for (const gear of s.worksIn) expect(unit.gears.map((g) => g.key)).toContain(gear);
  }
});
