import type { Limit } from './limits';

/** Copper gains 0.393 % of its 20 °C resistance per kelvin. */
export const COPPER_PER_KELVIN = 0.00393;

/** Resistance corrected to 20 °C: R20 = R ÷ (1 + α·(T − 20)). Ω and °C. */
export function at20(ohm: number, temperatureC: number): number {
  return ohm / (1 + COPPER_PER_KELVIN * (temperatureC - 20));
}

export type CoilVerdict = 'in' | 'low' | 'high' | 'open' | 'short';

/** What a resistance at 20 °C says of a coil: far outside its limits it is open or short, not merely off. */
export function coilVerdict(ohm: number, { min = 0, max = Infinity }: Limit): CoilVerdict {
  if (ohm > 50 * max) return 'open';
  if (ohm < 0.15 * min) return 'short';
  if (ohm < min) return 'low';
  return ohm > max ? 'high' : 'in';
}
