/** How a shop counts distance. The record keeps kilometres. */
export const DISTANCES = ['km', 'mi'] as const;
export type Distance = (typeof DISTANCES)[number];

/** Kilometres in one; the international mile is exact. */
const KM: Record<Distance, number> = { km: 1, mi: 1.609344 };

/** Kilometres in a shop's own count, whole. */
export const inDistance = (km: number, unit: Distance = 'km') => Math.round(km / KM[unit]);

/** A shop's own count in whole kilometres: typed whole miles come out as they were typed. */
export const kmOf = (value: number, unit: Distance = 'km') => Math.round(value * KM[unit]);

/** "40,000 km" or "24,855 mi". */
export const distanceWords = (km: number, unit: Distance = 'km') =>
  `${inDistance(km, unit).toLocaleString('en')} ${unit}`;

/** A reading in a shop's own count, to the tenth; kilometres stay as they were written. */
export const readingIn = (km: number, unit: Distance = 'km') =>
  unit === 'km' ? km : Math.round((km / KM[unit]) * 10) / 10;

/** A reading in kilometres, to the metre: what is typed to the tenth comes out as it was typed. */
export const readingKm = (value: number, unit: Distance = 'km') =>
  unit === 'km' ? value : Math.round(value * KM[unit] * 1000) / 1000;
