/** Where a layer of a picture is painted at one place, and where its name stands. */
export interface PlaceShape {
  /** Outline per layer, the one painted first in the middle. */
  layers: readonly string[];
  name: { x: number; y: number };
}

/** Half the width and height of a picture of places; its middle is 0, 0. */
export const HALF = 108;

const circle = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
const at = (r: number, degrees: number): [number, number] => {
  const a = (degrees * Math.PI) / 180;
  return [r * Math.cos(a), r * Math.sin(a)];
};

/** Radii of sun and ring, in the picture. */
export const SUN = 24;
export const RING = 86;

/** Pinions around their sun, the first on top: the pin within, then outwards a ring for each further layer. */
export function pinionShapes(count: number, layers: number): PlaceShape[] {
  const orbit = (SUN + RING) / 2;
  const r = Math.min((RING - SUN) / 2 - 2, orbit * Math.sin(Math.PI / count) - 2);
  const pin = r * 0.42;
  return Array.from({ length: count }, (_, k) => {
    const [x, y] = at(orbit, -90 + (360 * k) / count);
    // From the outside in, each within the one before: an outline and the hole in it.
    const radii = Array.from({ length: layers }, (_l, l) => pin + ((r - pin) * l) / Math.max(1, layers - 1));
    return {
      layers: radii.map((radius, l) => circle(x, y, radius) + (l ? circle(x, y, radii[l - 1]!) : '')),
      name: { x, y },
    };
  });
}

const BAND = { outer: 84, inner: 62, from: -60, sweep: 300 };
/** Where the band begins and ends around its drum, degrees. */
const BAND_ENDS = [BAND.from, BAND.from + BAND.sweep] as const;
export const DRUM = 58;

/** A band around its drum from the anchor to the servo, in as many stretches. */
export function bandShapes(count: number): PlaceShape[] {
  const part = BAND.sweep / count;
  return Array.from({ length: count }, (_, k) => {
    const [a, b] = [BAND.from + k * part, BAND.from + (k + 1) * part];
    const [p, q, u, v] = [at(BAND.outer, a), at(BAND.outer, b), at(BAND.inner, b), at(BAND.inner, a)];
    const large = part > 180 ? 1 : 0;
    const [x, y] = at((BAND.outer + BAND.inner) / 2, (a + b) / 2);
    return {
      layers: [
        `M${p.join(' ')}A${BAND.outer} ${BAND.outer} 0 ${large} 1 ${q.join(' ')}L${u.join(' ')}A${BAND.inner} ${BAND.inner} 0 ${large} 0 ${v.join(' ')}Z`,
      ],
      name: { x, y },
    };
  });
}

/** The lug at each end of a band. */
export function bandLugs(): { x: number; y: number; turn: number }[] {
  return BAND_ENDS.map((degrees) => {
    const [x, y] = at((BAND.outer + BAND.inner) / 2 + 4, degrees);
    return { x, y, turn: degrees };
  });
}
