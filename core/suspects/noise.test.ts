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

describe('what turns in which gear', () => {
  const table = () => noiseTable(unitOf('ostrel-four'));
  test('a bearing where its two sides differ, an open element, pinions under a moving carrier', () => {
    const all = table();
    const source = (id: string) => all.find((s) => s.id === id)!;
    // Third is direct: the whole front set turns as one.
    expect(source('front-pinion')).toMatchObject({
      kind: 'pinion',
      gearset: 'front',
      part: null,
      station: 'front-set',
      worksIn: ['R', 'D1', 'D2', 'D4', 'L1', 'L2'],
    });
    expect(source('shell-thrust')).toMatchObject({ kind: 'bearing', part: 'thrust-shell', gearset: null });
    expect(source('output-bushing').worksIn).toEqual(['R', 'D1', 'D2', 'D3', 'D4', 'L1', 'L2']);
    expect(source('input-owc').worksIn).toEqual(['D4']);
    expect(source('forward').worksIn).toEqual([]);
    // Its sets have no teeth of their own apart: only pairs on shafts do.
    expect(all.map((s) => s.kind)).not.toContain('mesh');
    for (const s of all) {
      expect(s).toMatchObject({ agree: [], disagree: [] });
      expect(s.worksIn.filter((g) => g === 'N' || g === 'P')).toEqual([]);
    }
  });
  test('a source is held against every gear that was told of', () => {
    const all = table();
    const [first, ...rest] = noiseSources(all, grid({ D3: 'noise', D1: 'noise', R: 'noise', D2: 'normal' }));
    expect(first).toMatchObject({ id: 'shell-thrust', agree: ['D3', 'D1', 'R', 'D2'], disagree: [] });
    expect(rest.find((s) => s.id === 'output-bushing')).toMatchObject({
      agree: ['D3', 'D1', 'R'],
      disagree: ['D2'],
    });
    expect([first, ...rest].every((s) => s!.worksIn.length > 0)).toBe(true);
    // It works in none of the noisy gears, or in none at all.
    const ids = rest.map((s) => s.id);
    expect(ids).not.toContain('forward');
    expect(noiseSources(table(), grid({ D4: 'noise' })).map((s) => s.id)).not.toContain('shell-thrust');
  });
  test('of equals the one that carries load and needs oil first', () => {
    const equal = noiseSources(table(), grid({ D4: 'noise', D3: 'normal' })).filter(
      (s) => s.disagree.length === 0,
    );
    const order = ['pinion', 'mesh', 'bearing', 'idler', 'element'];
    const ranks = equal.map((s) => order.indexOf(s.kind));
    expect(ranks).toEqual([...ranks].sort((a, b) => a - b));
    expect(new Set(ranks).size).toBeGreaterThan(2);
    const disagreements = noiseSources(table(), grid({ D4: 'noise', D3: 'normal', D1: 'normal' })).map(
      (s) => s.disagree.length,
    );
    expect(disagreements).toEqual([...disagreements].sort((a, b) => a - b));
  });
});
