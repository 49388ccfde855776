import type { LabourOperation, Part, Station } from './schema';
import type { UnitDefinition } from './schema';

/** Stations every unit begins with. */
export const FIRST_STATIONS = new Set(['converter', 'pan', 'valve-body', 'pump', 'output']);

/** A unit with shafts, pump, valve body and P, N, but no gears yet. Prices are left to the shop. */
export function blankUnit(id: string, name: string): UnitDefinition {
  return {
    format: 'pelvik-unit/2',
    id,
    name,
    description: `${name}, entered in the library.`,
    layout: 'Own definition',
    speeds: 1,
    forwardSign: 1,
    input: 'in',
    output: 'out',
    engine: { torqueNm: 250, stallTorqueRatio: 2 },
    pressure: { fullPa: 1_200_000, idlePa: 400_000 },
    converter: { part: 'converter', serviceable: true, lockUp: true, lockUpGears: [] },
    fluidLitres: 8,
    levelBy: 'dipstick',
    drain: 'pan',
    members: [
      { id: 'in', name: 'Input shaft' },
      { id: 'out', name: 'Output shaft' },
    ],
    gearsets: [],
    elements: [],
    gears: [
      { key: 'P', range: 'P', gear: null, name: 'Park', apply: [], pawl: true },
      { key: 'N', range: 'N', gear: null, name: 'Neutral', apply: [] },
    ],
    bearings: [],
    solenoids: [],
    sensors: [],
    stations: [
      station(
        'converter',
        'Torque converter',
        1,
        0.03,
        [],
        ['Strap unit and converter: they shift on the jack.'],
      ),
      station('pan', 'Pan and filter', 2, 0.3, ['converter'], ['Used fluid goes to licensed disposal.']),
      station('valve-body', 'Valve body', 3, 0.4, ['pan'], []),
      station('pump', 'Pump', 4, 0.1, ['converter'], []),
      station('output', 'Output and case', 5, 0.96, ['pump'], ['Never blow out lining dust.']),
    ],
    parts: [
      part('converter', 'converter', 'Torque converter', 'converter', 'steel', 'lining-lost', {
        role: 'converter',
        kit: 'separate',
      }),
      part('filter', 'filter', 'Filter', 'pan', 'paper', 'blocked', { role: 'filter', kit: 'overhaul' }),
      part('pump-gears', 'pump-gears', 'Pump gears', 'pump', 'steel', 'worn', {
        role: 'pump-gears',
        kit: 'separate',
      }),
      part('pump-cover', 'pump-cover', 'Pump cover', 'pump', 'aluminium', 'scored', {
        role: 'pump-cover',
        kit: 'separate',
      }),
      part(
        'pressure-regulator',
        'regulator',
        'Pressure regulator valve',
        'valve-body',
        'aluminium',
        'sticking',
        {
          role: 'regulator',
          kit: 'separate',
        },
      ),
      part('manual-valve', 'manual-valve', 'Manual valve', 'valve-body', 'steel', 'off-lever', {
        kit: 'separate',
      }),
    ],
    commonFeed: ['filter', 'pump-gears', 'pump-cover', 'pressure-regulator', 'manual-valve'],
    labour: LABOUR,
    variants: [],
    specs: [],
  };
}

const LABOUR: LabourOperation[] = [
  { id: 'remove-refit', role: 'remove-refit', name: 'Remove and refit the unit', hours: 7 },
  { id: 'teardown', role: 'teardown', name: 'Take apart, clean and inspect', hours: 3.5 },
  { id: 'overhaul', role: 'overhaul', name: 'Overhaul on the bench, set clearances, air-test', hours: 9 },
  {
    id: 'targeted',
    role: 'targeted',
    name: 'Repair on the bench, reseal what was opened, air-test',
    hours: 4.5,
  },
  { id: 'valve-body', role: 'valve-body', name: 'Strip and clean the valve body', hours: 2 },
  { id: 'cooler-flush', role: 'cooler-flush', name: 'Hot-flush cooler and lines, measure flow', hours: 0.9 },
  { id: 'fill-test', role: 'fill-test', name: 'Fill, relearn and road-test', hours: 1.2 },
];

/** A station without tools or fastener notes. */
export function station(
  id: string,
  name: string,
  order: number,
  position: number,
  blockedBy: string[],
  cautions: string[],
): Station {
  return { id, name, order, position, blockedBy, cautions, tools: [], fasteners: [] };
}

/** A part that starts trouble as often as its peers. */
export function part(
  id: string,
  kind: string,
  name: string,
  at: string,
  material: Part['material'],
  failure: string,
  more: Partial<Part> = {},
): Part {
  return { id, kind, name, station: at, material, weakness: 1, failure, ...more };
}
