import { below, valueOf } from '@/core/case';
import type { JobState } from '@/core/case';
import { frictionElements } from '@/core/unit';
import type { Element, UnitDefinition } from '@/core/unit';
import { liningState } from './grade';
import { readPack } from './pack';
import type { PackReading } from './pack';
import { judgeSolenoid } from './solenoid';

/**
 * Something the record says, in the vocabulary the reasoning uses: a point (`lining:high`), a level (`burnt`) and the
 * slots it was read from. `weight` 0…1 scales what it may say (a masked or weak test says little).
 */
export interface Observation {
  point: string;
  level: string;
  slots: string[];
  weight: number;
  /** Why the weight is not 1. */
  caution?: string;
}

/** Everything the record says, except the complaint grid. Points nobody inspected are absent, never "sound". */
export function observe(unit: UnitDefinition, state: JobState): Observation[] {
  const direct = DIRECT.flatMap(({ slot, point }) => {
    const value = valueOf(state, slot);
    return value === undefined || value === 'not-assessable' || value === 'unknown'
      ? []
      : [{ point, level: String(value), slots: [slot], ...weightOf(state, point) }];
  });
  return [
    ...direct,
    ...clouds(state),
    ...repairs(state),
    ...history(state),
    ...fading(state),
    ...below(state, 'debris.').map(([kind, v]) => seen(`debris:${kind}`, v.amount, `debris.${kind}`)),
    ...frictionElements(unit).flatMap((e) => (e.band ? bandOf(state, e) : packOf(state, e))),
    ...unit.solenoids.flatMap((s) => {
      // A resistance without its temperature says nothing that could be judged.
      const { ohm, temperatureC } = valueOf(state, `solenoid.${s.id}`) ?? {};
      if (ohm === undefined || temperatureC === undefined) return [];
      const { verdict } = judgeSolenoid(s, ohm, temperatureC);
      return [seen(`solenoid:${s.id}`, verdict === 'in' ? 'in' : 'out', `solenoid.${s.id}`)];
    }),
    ...below(state, 'airtest.').map(([element, test]) => airTest(state, element, test)),
    ...below(state, 'part.').flatMap(([part, v]) =>
      v.grade === 'takedown' || v.grade === 'not-assessable'
        ? []
        : [seen(`part:${part}`, v.grade, `part.${part}`)],
    ),
    ...codes(state),
  ];
}

const DIRECT = [
  { slot: 'fluid.level', point: 'fluid-level' },
  { slot: 'fluid.colour', point: 'fluid-colour' },
  { slot: 'fluid.smell', point: 'fluid-smell' },
  { slot: 'filter.state', point: 'filter' },
  { slot: 'converter.hub', point: 'converter-hub' },
  { slot: 'converter.lining', point: 'converter-lining' },
  { slot: 'converter.face', point: 'converter-face' },
  { slot: 'converter.leak', point: 'converter-leak' },
  { slot: 'history.converter', point: 'history-converter' },
  { slot: 'history.towing', point: 'history-towing' },
] as const;

type AirTest = { result: string; temperatureC?: number; oilFilm?: boolean };

/** Fresh fluid hides what the old one showed. */
function weightOf(state: JobState, point: string): { weight: number; caution?: string } {
  const masked =
    (point === 'fluid-colour' || point === 'fluid-smell') && valueOf(state, 'history.fluid') === 'recent';
  return masked
    ? { weight: 0.05, caution: 'Fluid was changed recently: its look says almost nothing.' }
    : { weight: 1 };
}

/** Tan cloudiness and milk are signs of their own, apart from how burnt the fluid looks. */
function clouds(state: JobState): Observation[] {
  const colour = valueOf(state, 'fluid.colour');
  if (colour === undefined || colour === 'not-assessable') return [];
  return [
    { point: 'cloudy', of: 'cloudy-tan' },
    { point: 'milky', of: 'milky' },
  ].map(({ point, of }) => ({
    point,
    level: colour === of ? 'yes' : 'no',
    slots: ['fluid.colour'],
    ...weightOf(state, 'fluid-colour'),
  }));
}

/** A part renewed before the job came here: if that cured nothing, the old one was hardly to blame. */
function repairs(state: JobState): Observation[] {
  return below(state, 'history.repair.').flatMap(([id, { part, effect }]) =>
    part && effect ? [seen(`replaced:${part}`, effect, `history.repair.${id}`)] : [],
  );
}

function seen(point: string, level: string, ...slots: string[]): Observation {
  return { point, level, slots, weight: 1 };
}

function history(state: JobState): Observation[] {
  const factor = valueOf(state, 'history.powerFactor');
  if (factor === undefined) return [];
  return [seen('history-power', factor > 1.15 ? 'raised' : 'stock', 'history.powerFactor')];
}

/** Several gears that stop pulling when hot: what the gears share, their pressure, goes. */
function fading(state: JobState): Observation[] {
  const hot = below(state, 'grid.').filter(
    ([, cell]) => cell.when.includes('hot') && cell.behaviours.some((b) => b === 'no-drive' || b === 'slips'),
  );
  return hot.length >= 3 ? [seen('fades-hot', 'yes', ...hot.map(([gear]) => `grid.${gear}`))] : [];
}

function packOf(state: JobState, element: Element): Observation[] {
  const reading = readPack(state, element);
  if (!reading.state) return [];
  const share = reading.inspected / reading.faces;
  const lining: Observation = {
    point: `lining:${element.id}`,
    level: reading.state,
    slots: reading.slots,
    weight: 1,
  };
  if (reading.state === 'sound' && share < 0.5) {
    lining.weight = share;
    lining.caution = `Only ${reading.inspected} of ${reading.faces} faces were looked at.`;
  }
  return [...liningAndFusion(element, lining), ...patternOf(element, reading)];
}

/** A welded pack is a burnt one that has also fused; a pack that was looked at and is loose has not. */
function liningAndFusion(element: Element, lining: Observation): Observation[] {
  const welded = lining.level === 'welded';
  return [
    { ...lining, level: welded ? 'burnt' : lining.level },
    { ...lining, point: `fused:${element.id}`, level: welded ? 'yes' : 'no' },
  ];
}

/** Overheated steels under sound linings mean dragging; the other patterns say where the oil did not reach. */
function patternOf(element: Element, reading: PackReading): Observation[] {
  if (!reading.pattern) return [];
  const dragged = reading.pattern === 'steels-only';
  return [
    {
      point: `dragged:${element.id}`,
      level: dragged ? 'yes' : 'no',
      slots: reading.slots,
      weight: dragged ? 1 : 0.5,
    },
    ...(dragged
      ? []
      : [{ point: `pattern:${element.id}`, level: reading.pattern, slots: reading.slots, weight: 1 }]),
  ];
}

const BAND_SEVERITY: Record<string, number> = { sound: 0, worn: 1, charred: 3, flaking: 4, bare: 5, torn: 5 };

function bandOf(state: JobState, element: Element): Observation[] {
  const lining = valueOf(state, `band.${element.id}.lining`);
  const drum = valueOf(state, `band.${element.id}.drum`);
  const result: Observation[] = [];
  const severity = lining === undefined ? undefined : BAND_SEVERITY[lining];
  if (severity !== undefined) {
    result.push(
      ...liningAndFusion(
        element,
        seen(`lining:${element.id}`, liningState(severity), `band.${element.id}.lining`),
      ),
    );
  }
  if (drum && drum !== 'not-assessable')
    result.push(seen(`drum:${element.id}`, drum, `band.${element.id}.drum`));
  return result;
}

/** A cold pass without an oil film says little against a fault that comes when hot. */
function airTest(state: JobState, element: string, test: AirTest): Observation {
  const observation = seen(`airtest:${element}`, test.result, `airtest.${element}`);
  const hotOnly = below(state, 'grid.').some(
    ([, cell]) =>
      cell.when.includes('hot') && !cell.when.includes('cold') && !cell.behaviours.includes('normal'),
  );
  if (test.result === 'holds' && hotOnly && !test.oilFilm && (test.temperatureC ?? 20) < 50) {
    return {
      ...observation,
      weight: 0.15,
      caution: 'Passed cold and without an oil film; the complaint is hot.',
    };
  }
  return observation;
}

function codes(state: JobState): Observation[] {
  const scan = valueOf(state, 'codes.scan');
  if (scan === undefined || scan === 'not-scanned') return [];
  if (scan === 'none') return [seen('codes', 'none', 'codes.scan')];
  const kinds = below(state, 'codes.list.');
  const electrical = kinds.filter(([, c]) => c.kind === 'electrical');
  return kinds.length === 0
    ? []
    : [
        seen(
          'codes',
          electrical.length ? 'electrical' : 'rationality',
          ...kinds.map(([code]) => `codes.list.${code}`),
        ),
      ];
}
