import {
  array,
  exactlyOne,
  integer,
  literal,
  oneOf,
  optional,
  orNull,
  said,
  shape,
  string,
} from '@/core/format';
import type { Of } from '@/core/format';
import { id, name, reachedAt } from './fields';

const TEETH = [3, 400] as const;
const teeth = said('Number of teeth', integer(...TEETH));

const toothedMember = shape({
  member: said('Member it belongs to; a fixed gear stands on `case`', id),
  teeth,
});
export type ToothedMember = Of<typeof toothedMember>;

export const member = said(
  'A member',
  shape({
    id: said('Id', id),
    name,
  }),
);
export type Member = Of<typeof member>;

const pinions = said(
  'The pinions, for assembly conditions and their own speed',
  shape({
    count: said('How many stand around the sun (pairs, when double)', integer(2, 12)),
    teeth: optional(
      said(
        'Teeth: of the pinion, or of the inner and the outer of a pair; a single pinion’s follow from sun and ring when left out',
        array(teeth, { minItems: 1, maxItems: 2 }),
      ),
    ),
  }),
);

const planetarySet = said(
  'A planetary set; a Ravigneaux set is two that share carrier and ring',
  shape({
    id: said('Id of the set', id),
    name,
    kind: said('A planetary set', literal('planetary')),
    planets: said(
      'Pinions between sun and ring: one, or a pair in mesh (which turns the ring’s sense around)',
      oneOf(['single', 'double']),
    ),
    sun: said('Sun gear', toothedMember),
    ring: said('Ring gear', toothedMember),
    carrier: said('Member that carries the pinions', id),
    pinions: optional(pinions),
    station: reachedAt,
  }),
);
export type PlanetarySet = Of<typeof planetarySet>;

const meshSet = said(
  'A pair of gears on parallel shafts',
  shape({
    id: said('Id of the pair', id),
    name,
    kind: said('A pair of gears', literal('mesh')),
    mesh: said(
      'External meshes turn the sense around; internal ones, and pairs with an idler between, keep it',
      oneOf(['external', 'internal', 'idler']),
    ),
    first: said('First gear', toothedMember),
    second: said('Second gear', toothedMember),
    idlerTeeth: optional(said('Teeth of the idler; they do not change the ratio', integer(...TEETH))),
    station: reachedAt,
  }),
);
export type MeshSet = Of<typeof meshSet>;

export const gearset = said('A planetary set or a pair of gears', exactlyOne(planetarySet, meshSet));
export type Gearset = Of<typeof gearset>;

export const bearing = said(
  'A bearing',
  shape({
    id: said('Id', id),
    name,
    a: said('One side: a member, or `case`', id),
    b: said('Other side', id),
    station: reachedAt,
    part: optional(said('Part to order', id)),
  }),
);
export type Bearing = Of<typeof bearing>;

export const gearPosition = said(
  'A position of the application chart',
  shape({
    key: said('Key such as P, R, D1', string({ pattern: '^[A-Z][0-9]{0,2}$' })),
    range: said('Selector range, one letter', string({ pattern: '^[A-Z]$' })),
    gear: said('Forward gear number; null in P, R, N', orNull(integer(1, 20))),
    name,
    apply: said(
      'Elements applied; one-way clutches are not listed',
      array(said('Element', id), { maxItems: 60 }),
    ),
    pawl: optional(said('The parking pawl holds the output', literal(true))),
    launch: optional(said('Starts from rest: the converter multiplies', literal(true))),
    solenoids: optional(
      said(
        'States of the shift solenoids in the order of their shiftIndex, 1 = on or pressurised',
        array(said('Off or on', oneOf([0, 1])), { maxItems: 20 }),
      ),
    ),
  }),
);
export type GearPosition = Of<typeof gearPosition>;
