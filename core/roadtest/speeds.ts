import { gearOutcome, inForwardSense } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';

/** Speeds read in a gear that was asked for, r/min; sensors have no sign. */
export interface Speeds {
  gear: string;
  inputRpm: number;
  outputRpm: number;
  engineRpm?: number;
}

/** What the speeds say. Ratios are input over output, in the unit's forward sense. */
export interface SpeedReading {
  /** Of the gear that was asked for; null where it has none (Neutral, Park). */
  expected: number | null;
  /** Null: the output stands still. */
  measured: number | null;
  /** Input speed beyond what the gear would give: n_in − |i|·n_out, r/min. */
  slip: number | null;
  /** Engine speed beyond the turbine's, r/min. */
  converterSlip: number | null;
  /** The gear whose ratio this is, within tolerance; null: none, it slips between them. */
  really: string | null;
}

/** Two ratios this close are one: what sensors and tyres leave uncertain. */
const TOLERANCE = 0.02;

/** Reads a commanded gear with measured speeds. */
export function readSpeeds(
  unit: UnitDefinition,
  { gear, inputRpm, outputRpm, engineRpm }: Speeds,
): SpeedReading {
  const ratioOf = (key: string) => gearOutcome(unit, key).ratio;
  const asked = unit.gears.some((g) => g.key === gear) ? ratioOf(gear) : null;
  const measured = outputRpm > 0 ? inputRpm / outputRpm : null;
  const others = unit.gears.filter((g) => g.gear !== null || g.range === 'R');
  // The gear that was asked for goes first, so that two ranges of one ratio are not confused.
  const ordered = [...others.filter((g) => g.key === gear), ...others.filter((g) => g.key !== gear)];
  const really = measured === null ? null : ordered.find((g) => isNear(measured, ratioOf(g.key)));
  return {
    expected: asked === null ? null : inForwardSense(unit, asked),
    measured,
    slip: asked === null ? null : inputRpm - Math.abs(asked) * outputRpm,
    converterSlip: engineRpm === undefined ? null : engineRpm - inputRpm,
    really: really?.key ?? null,
  };
}

function isNear(measured: number, ratio: number | null): boolean {
  return ratio !== null && Math.abs(measured / Math.abs(ratio) - 1) <= TOLERANCE;
}
