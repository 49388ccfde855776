/** An ordinary teardown of the Ostrel Six, station by station: what one finds, and in which words. */

type Is = string | number;
/** Painted over faces of a pack, first to last as they lie from the piston; all of them where none are named. */
interface Stroke {
  level: string;
  from?: string;
  to?: string;
}
export interface Visit {
  station: string;
  name: string;
  /** Readings of the panel, in the order they stand. */
  readings?: [slot: string, value: number][];
  /** Rows that are opened, with what is found there. */
  rows?: {
    subject: string;
    /** Words it is found by. */
    find: string;
    said?: [point: string, is: Is][];
    paint?: Stroke[];
    /** Plate by plate from one on. */
    thickness?: { first: number; mm: number[] };
    amounts?: [point: string, place: string, level: string][];
    photos?: number;
  }[];
  /** Graded in the row, without opening it. */
  quick?: [subject: string, is: string][];
}

export const STORY: Visit[] = [
  {
    station: 'converter',
    name: 'Torque converter',
    readings: [
      ['part.converter.runout', 0.12],
      ['part.converter.end-play', 0.6],
      ['part.cooler.flow', 5.1],
    ],
    rows: [
      {
        subject: 'part.converter',
        find: 'torque converter',
        said: [
          ['hub', 'straw'],
          ['turns', 'free'],
          ['stator', 'holds'],
        ],
        photos: 1,
      },
    ],
  },
  {
    station: 'pan',
    name: 'Pan with filter',
    rows: [
      {
        subject: 'unit.debris',
        find: 'debris',
        amounts: [
          ['grey-paste', 'magnets', 'some'],
          ['fibre', 'sump', 'heavy'],
          ['fibre', 'filter', 'heavy'],
        ],
        photos: 1,
      },
      {
        subject: 'part.filter',
        find: 'filter',
        said: [
          ['opened', 'cut'],
          ['pleats', 'restricted'],
        ],
        photos: 1,
      },
      {
        subject: 'unit.drained',
        find: 'drained',
        said: [
          ['colour', 'black'],
          ['smell', 'burnt'],
        ],
      },
    ],
  },
  {
    station: 'valve-body',
    name: 'Valve body and solenoids',
    readings: ['S-K1', 'S-K2', 'S-K3', 'S-B1', 'S-B2', 'PC', 'LU'].map((id) => [
      `solenoid.${id}.resistance`,
      5.2,
    ]),
    quick: [['part.b1-valve', 'marked']],
  },
  {
    station: 'pump',
    name: 'Pump and front support',
    readings: [
      ['part.pump-gears.face', 0.04],
      ['part.pump-gears.tip', 0.15],
      ['part.pump-bushing.clearance', 0.07],
      ['station.pump.end-play', 0.31],
    ],
    quick: [['part.pump-cover', 'marked']],
  },
  { station: 'front-set', name: 'Front planetary', readings: [['gearset.front.pinion-play', 0.35]] },
  {
    station: 'k2-drum',
    name: 'K2 drum',
    readings: [['element.K2.clearance', 1.5]],
    rows: [
      {
        subject: 'element.K2',
        find: 'clutch k2',
        paint: [
          { level: 'sound' },
          { level: 'darkened', from: '5b', to: '8a' },
          { level: 'glazed', from: '8b', to: '12b' },
        ],
        said: [['air-test', 'holds']],
        photos: 1,
      },
    ],
  },
  {
    station: 'k1-drum',
    name: 'K1 drum',
    readings: [['element.K1.clearance', 1.4]],
    rows: [
      {
        subject: 'element.K1',
        find: 'clutch k1',
        paint: [{ level: 'sound' }],
        said: [['air-test', 'holds']],
      },
    ],
  },
  {
    station: 'b1',
    name: 'B1 brake',
    readings: [['element.B1.clearance', 2.6]],
    rows: [
      {
        subject: 'element.B1',
        find: 'brake b1',
        paint: [
          { level: 'charred' },
          { level: 'bare', from: '3a', to: '3b' },
          { level: 'flaking', from: '5a', to: '5b' },
        ],
        thickness: { first: 1, mm: [1.34, 1.79, 1.1, 1.8] },
        said: [['air-test', 'leaks']],
        photos: 1,
      },
      { subject: 'part.b1-passage', find: 'b1 feed', said: [['tight', 'leaks']], photos: 1 },
    ],
    quick: [['part.b1-piston-seals', 'marked']],
  },
  {
    station: 'k3-drum',
    name: 'K3 drum and intermediate shaft',
    readings: [
      ['element.K3.clearance', 1.3],
      ['part.k3-bushing.clearance', 0.08],
    ],
    rows: [
      {
        subject: 'element.K3',
        find: 'clutch k3',
        paint: [{ level: 'sound' }, { level: 'darkened', from: '7a', to: '9b' }],
        said: [['air-test', 'holds']],
      },
    ],
  },
  {
    station: 'rear-set',
    name: 'Rear planetary',
    readings: [
      ['gearset.rear-large.pinion-play', 0.4],
      ['gearset.rear-small.pinion-play', 0.38],
    ],
    quick: [['gearset.rear-large', 'straw']],
  },
  {
    station: 'b2',
    name: 'B2 brake',
    readings: [['element.B2.clearance', 1.9]],
    rows: [
      {
        subject: 'element.B2',
        find: 'brake b2',
        paint: [{ level: 'sound' }, { level: 'darkened', from: '15a', to: '17b' }],
        said: [['air-test', 'holds']],
      },
    ],
  },
  { station: 'output', name: 'Output and case', readings: [['station.output.end-play', 0.3]] },
];
