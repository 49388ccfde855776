import type { Solenoid } from '@/core/unit';

/** Copper gains 0.393 % of its 20 °C resistance per kelvin. */
export const COPPER_PER_KELVIN = 0.00393;

/** Resistance corrected to 20 °C: R20 = R ÷ (1 + α·(T − 20)). Ω and °C. */
export function at20(ohm: number, temperatureC: number): number {
  return ohm / (1 + COPPER_PER_KELVIN * (temperatureC - 20));
}

export type SolenoidVerdict = 'in' | 'low' | 'high' | 'open' | 'short';

/** Judges a reading against the unit's limits at 20 °C. */
export function judgeSolenoid(
  solenoid: Solenoid,
  ohm: number,
  temperatureC: number,
): { at20: number; verdict: SolenoidVerdict } {
  const corrected = at20(ohm, temperatureC);
  const { min, max } = solenoid.ohm;
  const verdict =
    corrected > 50 * max
      ? 'open'
      : corrected < 0.15 * min
        ? 'short'
        : corrected < min
          ? 'low'
          : corrected > max
            ? 'high'
            : 'in';
  return { at20: corrected, verdict };
}
