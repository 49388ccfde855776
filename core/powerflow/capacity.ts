import type { Element, GearPosition, Pack, UnitDefinition } from '@/core/unit';

/** Density of warm transmission oil, kg/m³. */
const OIL_DENSITY = 850;

/** Where an element works: the gear decides on a second piston area, the drum's speed (rad/s) on the oil turning with it. */
export interface Working {
  gear?: string;
  drumSpeed?: number;
}

/** What goes into an element's capacity. Forces in N, areas in m², radii in m. */
export interface CapacityInputs {
  pressurePa: number;
  area: number;
  returnForce: number;
  centrifugalForce: number;
  /** Force on the plates or in the servo pin, never below 0. */
  force: number;
  mu: number;
  /** Packs: lined faces at the mean radius. Bands: turns into the factor e^{μθ} − 1, or 1 − e^{−μθ} unwinding. */
  faces: number;
  radius: number;
  grip: number;
  capacityNm: number;
}

/**
 * Torque an element can carry at a line pressure, N·m.
 * Pack: T = μ·N·F·r, F = p·A − F_return + F_centrifugal, r = (2/3)(ro³−ri³)/(ro²−ri²) (uniform pressure).
 * Band: T = F·R·(e^{μθ} − 1), or F·R·(1 − e^{−μθ}) against its self-energising direction (belt friction).
 * One-way clutches and dogs state theirs; Infinity when they do not. Never negative.
 */
export function capacity(element: Element, pressurePa: number, working: Working = {}): number {
  return capacityInputs(element, pressurePa, working)?.capacityNm ?? element.capacityNm ?? Infinity;
}

/** The capacity of a pack or band with all that goes into it; null for elements without a lining. */
export function capacityInputs(
  element: Element,
  pressurePa: number,
  working: Working = {},
): CapacityInputs | null {
  if (element.pack) {
    const { mu, frictions, returnForce } = element.pack;
    const area = pistonArea(element.pack, working.gear);
    const centrifugalForce = centrifugal(element.pack, working.drumSpeed ?? 0);
    const force = Math.max(0, pressurePa * area - returnForce + centrifugalForce);
    const [faces, radius] = [2 * frictions, meanRadius(element.pack)];
    const capacityNm = mu * faces * force * radius;
    return {
      pressurePa,
      area,
      returnForce,
      centrifugalForce,
      force,
      mu,
      faces,
      radius,
      grip: mu * faces,
      capacityNm,
    };
  }
  if (element.band) {
    const { mu, wrap, drumRadius: radius, servoArea: area, returnForce, selfEnergising } = element.band;
    const force = Math.max(0, pressurePa * area - returnForce);
    const grip = selfEnergising ? Math.exp(mu * wrap) - 1 : 1 - Math.exp(-mu * wrap);
    const capacityNm = force * radius * grip;
    return {
      pressurePa,
      area,
      returnForce,
      centrifugalForce: 0,
      force,
      mu,
      faces: 1,
      radius,
      grip,
      capacityNm,
    };
  }
  return null;
}

/** Mean radius of friction under uniform pressure, m. */
function meanRadius(pack: Pack): number {
  const [ro, ri] = [pack.outerDiameter / 2, pack.innerDiameter / 2];
  return ((2 / 3) * (ro ** 3 - ri ** 3)) / (ro ** 2 - ri ** 2);
}

/** Area the oil presses in a gear, m²: a second area counts in the gears it is fed in. */
export function pistonArea(pack: Pack, gear: string | undefined): number {
  const second = pack.secondArea;
  return pack.pistonArea + (second && gear !== undefined && second.gears.includes(gear) ? second.area : 0);
}

/**
 * Force of the oil that turns with a piston chamber, N: F = (πρω²/4)·[ro⁴ − ri⁴ − 2·rf²(ro² − ri²)], the integral of the
 * pressure ρω²(r² − rf²)/2 over the chamber, less the share a balance piston takes back.
 */
function centrifugal(pack: Pack, drumSpeed: number): number {
  if (!pack.centrifugal) return 0;
  const { outerRadius: ro, innerRadius: ri, feedRadius: rf, balanced } = pack.centrifugal;
  const shape = ro ** 4 - ri ** 4 - 2 * rf ** 2 * (ro ** 2 - ri ** 2);
  return Math.max(0, ((Math.PI * OIL_DENSITY * drumSpeed ** 2) / 4) * shape) * (1 - balanced);
}

/** Line pressure at which a pack or band carries just this torque, Pa; null for elements without a lining. */
export function pressureFor(element: Element, torqueNm: number, working: Working = {}): number | null {
  const inputs = capacityInputs(element, 0, working);
  if (!inputs) return null;
  const force = torqueNm / (inputs.grip * inputs.radius);
  return Math.max(0, (force + inputs.returnForce - inputs.centrifugalForce) / inputs.area);
}

/** Full line pressure in a gear position, Pa: a range may have its own. */
export function fullPressure(unit: UnitDefinition, gear: GearPosition): number {
  return unit.pressure.ranges?.[gear.range] ?? unit.pressure.fullPa;
}
