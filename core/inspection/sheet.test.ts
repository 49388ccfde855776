import { readFileSync } from 'node:fs';
import { stateFromValues } from '@/core/case';
import { inspection as data } from '@/data/inspection';
import { stationsInOrder } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import {
  catalogueDocument,
  catalogueOf,
  findingTable,
  inspectionOf,
  limitOf,
  measureOf,
  measureWords,
  paperLines,
  SHEET_COLUMNS,
} from './index';

const catalogue = catalogueOf(data);
const six = inspectionOf(shippedUnits.find((u) => u.id === 'ostrel-six')!, catalogue);
const row = (cells: readonly unknown[]) =>
  Object.fromEntries(SHEET_COLUMNS.map(({ key }, k) => [key, cells[k]]).filter(([, cell]) => cell !== ''));

test('a table of findings: a line each, in the order of the takedown, with all that goes with it', () => {
  const table = findingTable(
    six,
    stateFromValues({
      'part.k2-drum.condition': { is: 'worn', note: '=1+1' },
      'unit.fluid.level': { is: 'low' },
      'solenoid.S-K1.resistance': { is: 5.3, temperatureC: 20 },
      'element.K2.air-test': { is: 'holds', oilFilm: true },
      'element.K2.air-test.hot': { is: 'leaks', temperatureC: 70 },
      'customer.name': 'Ada',
    }),
  );
  expect(table.map((cells) => row(cells).slot)).toEqual([
    'unit.fluid.level',
    'solenoid.S-K1.resistance',
    'element.K2.air-test',
    'element.K2.air-test.hot',
    'part.k2-drum.condition',
  ]);
  expect(row(table[3]!)).toMatchObject({
    station: 'K2 drum',
    subject: 'Clutch K2',
    point: 'Air test',
    reading: 'hot',
    found: 'leaks',
    severity: 3,
    temperatureC: 70,
    by: 'case',
  });
  expect(row(table[1]!)).toMatchObject({ found: 5.3, unit: 'Ω' });
  expect(row(table[1]!).limit).toMatch(/–/);
  expect(row(table[4]!)).toMatchObject({ note: '=1+1', severity: 2 });
});

test('on paper every row of every station has something to fill in, and limits only where the unit has them', () => {
  for (const unit of shippedUnits) {
    const inspection = inspectionOf(unit, catalogue);
    for (const station of unit.stations) {
      const lines = paperLines(inspection, station.id);
      expect(lines.map((l) => l.subject)).toEqual(inspection.rows(station.id));
      for (const { subject, points } of lines)
        for (const { point } of points) expect(inspection.points(subject).get(point.point.id)).toBe(point);
      expect(lines.filter((l) => l.points.length > 0).length).toBeGreaterThan(lines.length / 2);
    }
  }
});

test('what is only measured against a limit stands on paper where there is one, with it; what is asked of everything never', () => {
  const points = shippedUnits.flatMap((unit) => {
    const inspection = inspectionOf(unit, catalogue);
    return stationsInOrder(unit).flatMap((station) =>
      paperLines(inspection, station.id).flatMap(({ subject, points }) => {
        const shown = new Map(points.map((p) => [p.point.point.id, p.limit]));
        return [...inspection.points(subject).values()].map(({ point, file }) => {
          const field = measureOf(point);
          const limit = field?.limit ? limitOf(unit, subject, field.limit) : null;
          return { subject, point, file, field, limit, said: shown.get(point.id) };
        });
      }),
    );
  });
  const ofAll = points.filter(({ subject, file }) => file.of[subject.head]?.includes('*') && file.of.element);
  expect(ofAll.length).toBeGreaterThan(0);
  expect(ofAll.every((p) => p.said === undefined)).toBe(true);
  const own = points.filter((p) => !ofAll.includes(p));
  const needy = own.filter(({ point }) => point.when === 'limit');
  expect(needy.some((p) => p.limit)).toBe(true);
  expect(needy.some((p) => !p.limit)).toBe(true);
  for (const { limit, said } of needy) expect(said === undefined).toBe(limit === null);
  for (const { field, limit, said } of own) {
    if (!field) expect(said).toBe('');
    else if (limit) expect(said).toBe(measureWords(limit, field.unit));
  }
  // A measure that needs no limit is asked for without one.
  expect(own.some((p) => p.field && !p.limit && p.said !== undefined)).toBe(true);
});

test('the documented catalogue is the one that ships: ./pelvik unit points', () => {
  expect(readFileSync('docs/formats/points.md', 'utf8')).toBe(catalogueDocument(catalogue));
});
