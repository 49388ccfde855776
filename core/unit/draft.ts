import { FIRST_STATIONS, part, station } from './blank';
import type { Part } from './schema';
import { CASE } from './lookup';
import type {
  Element,
  ElementKind,
  GearPosition,
  Gearset,
  MeshSet,
  Pack,
  PlanetarySet,
  UnitDefinition,
} from './schema';

/*
 * A definition in the making. Every step gives a new definition that is whole in itself: what a new thing needs (a member,
 * a station, the parts that feed and carry it) comes with it, and what refers to a thing goes when the thing goes.
 */

/** An id from a name: letters, digits and hyphens, unlike those taken. */
export function idFrom(name: string, taken: Iterable<string>): string {
  const plain = name
    .normalize('NFKD')
    .replace(/[^A-Za-z0-9]+/g, '-')
    .replace(/^-+|-+$/g, '')
    .toLowerCase()
    .slice(0, 50);
  const base = plain || 'item';
  const used = new Set(taken);
  for (let k = 1; ; k++) {
    const id = k === 1 ? base : `${base}-${k}`;
    if (!used.has(id)) return id;
  }
}

/** A copy under another id and name, to start from. */
export function duplicateUnit(unit: UnitDefinition, id: string, name: string): UnitDefinition {
  return {
    ...unit,
    id,
    name,
    description: `${unit.description} Begun as a copy of the ${unit.name}.`.slice(0, 400),
  };
}

/** Adds a simple planetary. The first one's ring is driven and its carrier drives; later ones bring members of their own. */
export function addPlanetary(unit: UnitDefinition): UnitDefinition {
  const n = unit.gearsets.length + 1;
  const id = idFrom(`set ${n}`, ids(unit.gearsets));
  const first = n === 1;
  const members = [...unit.members];
  const own = (what: string): string => {
    const made = {
      id: idFrom(`${what}-${n}`, ids(members)),
      name: `${what[0]!.toUpperCase()}${what.slice(1)} ${n}`,
    };
    members.push(made);
    return made.id;
  };
  const sun = own('sun');
  const set: PlanetarySet = {
    id,
    name: `Planetary ${n}`,
    kind: 'planetary',
    planets: 'single',
    sun: { member: sun, teeth: 36 },
    ring: { member: first ? unit.input : own('ring'), teeth: 72 },
    carrier: first ? unit.output : own('carrier'),
    pinions: { count: 4 },
    station: `${id}-set`,
  };
  const withStation = addStation({ ...unit, members }, set.station, set.name);
  const carrier = part(
    idFrom(`${id} carrier`, ids(unit.parts)),
    'carrier',
    `Carrier of ${set.name}`,
    set.station,
    'steel',
    'stripped',
    {
      kit: 'separate',
      gearset: id,
    },
  );
  return { ...withStation, gearsets: [...unit.gearsets, set], parts: [...unit.parts, carrier] };
}

/** Adds a pair of gears on parallel shafts, from the input to a member of its own. */
export function addMesh(unit: UnitDefinition): UnitDefinition {
  const n = unit.gearsets.length + 1;
  const id = idFrom(`pair ${n}`, ids(unit.gearsets));
  const free = { id: idFrom(`gear-${n}`, ids(unit.members)), name: `Free gear ${n}` };
  const set: MeshSet = {
    id,
    name: `Pair ${n}`,
    kind: 'mesh',
    mesh: 'external',
    first: { member: unit.input, teeth: 30 },
    second: { member: free.id, teeth: 40 },
    station: `${id}-gears`,
  };
  const withStation = addStation({ ...unit, members: [...unit.members, free] }, set.station, set.name);
  return { ...withStation, gearsets: [...unit.gearsets, set] };
}

const KIND_NAMES: Record<ElementKind, string> = {
  clutch: 'Clutch',
  brake: 'Brake',
  band: 'Band',
  'one-way': 'One-way clutch',
  dog: 'Dog',
};
const SHORT: Record<ElementKind, string> = {
  clutch: 'C',
  brake: 'B',
  band: 'BD',
  'one-way': 'OW',
  dog: 'DOG',
};

/** A pack such as many units have; to be measured and corrected. */
const USUAL_PACK: Pack = {
  frictions: 5,
  order: [
    'steel',
    'friction',
    'steel',
    'friction',
    'steel',
    'friction',
    'steel',
    'friction',
    'steel',
    'friction',
    'backing',
  ],
  outerDiameter: 0.15,
  innerDiameter: 0.12,
  frictionThickness: 0.0016,
  steelThickness: 0.0018,
  mu: 0.13,
  pistonArea: 0.011,
  returnForce: 800,
  clearance: { min: 0.001, max: 0.0018 },
};

/** Adds an element with the parts that feed and carry it, its lining and its station. */
export function addElement(unit: UnitDefinition, kind: ElementKind): UnitDefinition {
  const n = unit.elements.filter((e) => e.kind === kind).length + 1;
  const name = `${KIND_NAMES[kind]} ${n}`;
  const id = idFrom(name, ids(unit.elements));
  const held = unit.members.find((m) => m.id !== unit.input && m.id !== unit.output) ?? unit.members[0]!;
  const base: Element = {
    id,
    name,
    short: `${SHORT[kind]}${n}`,
    kind,
    station: `${id}-station`,
    a: kind === 'clutch' || kind === 'dog' ? unit.input : held.id,
    b: kind === 'clutch' || kind === 'dog' ? held.id : CASE,
    feedPath: [],
    powerPath: [],
  };
  const withStation = addStation(unit, base.station, name);
  const { element, parts } = fitted(base, ids(unit.parts));
  return { ...withStation, elements: [...unit.elements, element], parts: [...unit.parts, ...parts] };
}

/** The element with what its kind needs: pack or band, and parts of its own. */
function fitted(base: Element, taken: string[]): { element: Element; parts: Part[] } {
  const { id, name, station: at, kind } = base;
  const make = (what: string, kind: string, material: Part['material'], failure: string, kit: Part['kit']) =>
    part(idFrom(`${id} ${what}`, taken), kind, `${name}: ${what}`, at, material, failure, { kit });
  const drum = make('drum and hub', 'drum', 'steel', 'cracked', 'separate');
  if (kind === 'one-way') {
    const own = make('rollers and races', 'one-way-clutch', 'steel', 'slips', 'separate');
    return { element: { ...base, part: own.id, capacityNm: 1500, powerPath: [own.id] }, parts: [own] };
  }
  const valve = make('valve', 'valve', 'steel', 'sticking', 'separate');
  if (kind === 'dog') {
    const fork = make('fork', 'fork', 'steel', 'worn', 'separate');
    const element = { ...base, capacityNm: 1500, feedPath: [valve.id], powerPath: [drum.id, fork.id] };
    return { element, parts: [valve, drum, fork] };
  }
  const lining = make(
    kind === 'band' ? 'lining' : 'frictions',
    kind === 'band' ? 'band-lining' : 'friction-plates',
    'lining',
    'worn',
    'overhaul',
  );
  const seals = make(kind === 'band' ? 'servo seals' : 'piston seals', 'seal', 'rubber', 'torn', 'overhaul');
  const common = { ...base, feedPath: [valve.id, seals.id], powerPath: [drum.id], liningParts: [lining.id] };
  const parts = [valve, drum, seals, lining];
  if (kind !== 'band') return { element: { ...common, application: 'dynamic', pack: USUAL_PACK }, parts };
  const band = {
    mu: 0.12,
    wrap: 5.5,
    drumRadius: 0.07,
    servoArea: 0.003,
    returnForce: 250,
    selfEnergising: true,
    pinTravel: { min: 0.0018, max: 0.0032 },
  };
  return { element: { ...common, application: 'dynamic', band, drumPart: drum.id }, parts };
}

/** A station just before the output, after all that are there. */
function addStation(unit: UnitDefinition, id: string, name: string): UnitDefinition {
  const inner = unit.stations.filter((s) => s.id !== 'output');
  const last = unit.stations.find((s) => s.id === 'output');
  const before = inner.at(-1);
  const made = station(id, name, inner.length + 1, 0, before ? [before.id] : [], []);
  const stations = [...inner, made, ...(last ? [{ ...last, order: inner.length + 2, blockedBy: [id] }] : [])];
  // What was added sits between pump and output, in the order it came.
  const own = stations.filter((s) => !FIRST_STATIONS.has(s.id));
  return {
    ...unit,
    stations: stations.map((s) =>
      FIRST_STATIONS.has(s.id)
        ? s
        : { ...s, position: 0.15 + (0.75 * (own.indexOf(s) + 1)) / (own.length + 1) },
    ),
  };
}

/** The next forward gear of range D, or reverse. */
export function addGear(unit: UnitDefinition, what: 'forward' | 'reverse'): UnitDefinition {
  if (what === 'reverse') {
    const made: GearPosition = { key: 'R', range: 'R', gear: null, name: 'Reverse', apply: [], launch: true };
    return unit.gears.some((g) => g.key === 'R')
      ? unit
      : { ...unit, gears: [unit.gears[0]!, made, ...unit.gears.slice(1)] };
  }
  const n = Math.max(0, ...unit.gears.filter((g) => g.range === 'D').map((g) => g.gear ?? 0)) + 1;
  const made: GearPosition = {
    key: `D${n}`,
    range: 'D',
    gear: n,
    name: `Drive ${n}`,
    apply: [],
    ...(n === 1 ? { launch: true } : {}),
  };
  return { ...unit, speeds: Math.max(unit.speeds, n), gears: [...unit.gears, made] };
}

/** Applies an element in a gear, or lets it go. */
export function toggleApply(unit: UnitDefinition, key: string, element: string): UnitDefinition {
  const gears = unit.gears.map((g) => {
    if (g.key !== key) return g;
    return {
      ...g,
      apply: g.apply.includes(element) ? g.apply.filter((id) => id !== element) : [...g.apply, element],
    };
  });
  return { ...unit, gears };
}

/** The sign of the forward gears follows from the first one: nobody has to know it. `ratio` is the first gear's. */
export function withForwardSign(unit: UnitDefinition, ratio: number | null): UnitDefinition {
  return ratio === null ? unit : { ...unit, forwardSign: ratio < 0 ? -1 : 1 };
}

/** Puts a changed gearset in the place of the old one. */
export function replaceGearset(unit: UnitDefinition, set: Gearset): UnitDefinition {
  return { ...unit, gearsets: unit.gearsets.map((g) => (g.id === set.id ? set : g)) };
}

/** Puts a changed element in the place of the old one. */
export function replaceElement(unit: UnitDefinition, element: Element): UnitDefinition {
  return { ...unit, elements: unit.elements.map((e) => (e.id === element.id ? element : e)) };
}

function ids(list: readonly { id: string }[]): string[] {
  return list.map((x) => x.id);
}
