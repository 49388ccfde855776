import type { Spec } from '@/core/unit';

/** A limit in the unit people measure it in: mm, bar, litres a minute, N·m. */
export const SPEC_UNITS: Record<Spec['kind'], { unit: string; scale: number; places: number }> = {
  'end-play': { unit: 'mm', scale: 1e3, places: 2 },
  clearance: { unit: 'mm', scale: 1e3, places: 2 },
  'pinion-play': { unit: 'mm', scale: 1e3, places: 2 },
  'pump-clearance': { unit: 'mm', scale: 1e3, places: 3 },
  'face-clearance': { unit: 'mm', scale: 1e3, places: 3 },
  'tip-clearance': { unit: 'mm', scale: 1e3, places: 3 },
  'body-clearance': { unit: 'mm', scale: 1e3, places: 3 },
  depth: { unit: 'mm', scale: 1e3, places: 2 },
  height: { unit: 'mm', scale: 1e3, places: 2 },
  backlash: { unit: 'mm', scale: 1e3, places: 2 },
  gap: { unit: 'mm', scale: 1e3, places: 2 },
  runout: { unit: 'mm', scale: 1e3, places: 2 },
  pressure: { unit: 'bar', scale: 1e-5, places: 1 },
  flow: { unit: 'l/min', scale: 6e4, places: 1 },
  torque: { unit: 'N·m', scale: 1, places: 0 },
};

/** "0.20 to 0.60 mm", "at most 0.20 mm", "at least 5.0 l/min". */
export function limitsWords(spec: Spec): string {
  const { unit, scale, places } = SPEC_UNITS[spec.kind];
  const say = (v: number) => (v * scale).toFixed(places);
  if (spec.min === undefined) return `at most ${say(spec.max!)} ${unit}`;
  if (spec.max === undefined) return `at least ${say(spec.min)} ${unit}`;
  return `${say(spec.min)} to ${say(spec.max)} ${unit}`;
}

export const mm = (metres: number, places = 2) => (metres * 1e3).toFixed(places);
export const bar = (pascal: number) => (pascal / 1e5).toFixed(1);
export const cm2 = (squareMetres: number) => (squareMetres * 1e4).toFixed(1);
