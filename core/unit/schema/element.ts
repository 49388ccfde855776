import { array, integer, number, oneOf, optional, said, shape, string, text, yesNo } from '@/core/format';
import type { Of } from '@/core/format';
import { above0, id, limitsIn, name, reachedAt } from './fields';

const plateKind = said('Plate', oneOf(['steel', 'friction', 'backing', 'wave']));
export type PlateKind = Of<typeof plateKind>;

const packSetUp = said(
  'What the pack is stacked and measured by',
  shape({
    grooveToPiston: said('Distance from a face of the snap-ring groove to the piston, home, m', above0(1)),
    grooveFace: said(
      'Which face of the groove was measured; with the upper one the ring is taken off',
      oneOf(['lower', 'upper']),
    ),
    ringThickness: said('Snap ring, m', above0(1)),
    backingThickness: optional(said('Backing plate, m', above0(1))),
    waveHeight: optional(said('Wave or cone spring as it is stacked, m', above0(1))),
    pistonHeight: said('Piston, new, m', above0(1)),
    pistonLowest: said('Lowest the piston may be cut to, m', above0(1)),
    hubLength: said('Length of the hub the frictions ride on, m', above0(1)),
    drumLength: said('Length of the drum splines, m', above0(1)),
    frictionSizes: said(
      'Frictions on offer, m',
      array(said('m', above0(0.05)), { minItems: 1, maxItems: 40 }),
    ),
    steelSizes: said('Steels on offer, m', array(said('m', above0(0.05)), { minItems: 1, maxItems: 40 })),
  }),
);
export type PackSetUp = Of<typeof packSetUp>;

const centrifugal = said(
  'The oil that turns with the drum, and what a balance piston takes back',
  shape({
    outerRadius: said('Outer radius of the piston chamber, m', above0(1)),
    innerRadius: said('Inner radius of the piston chamber, m', above0(1)),
    feedRadius: said('Radius of the oil’s free surface, where it is fed, m', number(0, 1)),
    balanced: said('Share taken back by a balance piston, 0 to 1', number(0, 1)),
  }),
);

const pack = said(
  'A multi-plate pack',
  shape({
    frictions: said('Friction plates, two faces each', integer(1, 20)),
    order: said(
      'Plates from the piston side to the backing side',
      array(plateKind, { minItems: 2, maxItems: 60 }),
    ),
    outerDiameter: said('Outer diameter of the lining, m', above0(2)),
    innerDiameter: said('Inner diameter of the lining, m', above0(2)),
    frictionThickness: said('Thickness of a friction plate, m', above0(0.1)),
    steelThickness: said('Thickness of a steel plate, m', above0(0.1)),
    worn: optional(
      said(
        'Thinner than this a plate is worn out',
        shape({
          friction: optional(said('Friction plate, m', above0(0.02))),
          steel: optional(said('Steel plate, m', above0(0.02))),
        }),
      ),
    ),
    setUp: optional(packSetUp),
    mu: said('Friction coefficient of the lining in oil, no unit', above0(1)),
    pistonArea: said('Area the oil presses in every gear that applies it, m²', above0(1)),
    secondArea: optional(
      said(
        'A second area behind the same piston',
        shape({
          area: said('m²', above0(1)),
          gears: said(
            'Keys of the gears in which it is fed too',
            array(said('Gear key', string({})), { minItems: 1, maxItems: 100 }),
          ),
        }),
      ),
    ),
    returnForce: said('Force of the return springs, N', number(0, 1e5)),
    centrifugal: optional(centrifugal),
    clearance: said('Clearance of the finished pack, m', limitsIn('m')),
  }),
);
export type Pack = Of<typeof pack>;

const band = said(
  'A band around a drum',
  shape({
    mu: said('Friction coefficient of the lining in oil, no unit', above0(1)),
    wrap: said('Angle of wrap, rad', above0(20)),
    drumRadius: said('Radius of the drum, m', above0(1)),
    servoArea: said('Area of the servo piston, m²', above0(1)),
    returnForce: said('Force of the servo’s return spring, N', number(0, 1e5)),
    selfEnergising: said('The drum’s torque winds the band tighter', yesNo),
    pinTravel: said('Travel of the servo pin, m', limitsIn('m')),
  }),
);

export const element = said(
  'A clutch, brake, band, dog or one-way clutch',
  shape({
    id: said('Element id', id),
    name,
    short: said('Label in drawings, up to 6 characters', text(6)),
    kind: said(
      'Clutch (member to member), brake and band (to the case), toothed dog, one-way clutch',
      oneOf(['clutch', 'brake', 'band', 'dog', 'one-way']),
    ),
    a: said('First member; of a one-way clutch the one that may turn faster', id),
    b: said('Second member, or `case`', id),
    application: optional(
      said(
        'Applied at rest, pulls speeds together in a shift, or slips on purpose outside the ratio path',
        oneOf(['static', 'dynamic', 'modulated']),
      ),
    ),
    pack: optional(pack),
    band: optional(band),
    capacityNm: optional(said('Capacity stated outright (one-way clutches, dogs), N·m', above0(1e6))),
    liningParts: optional(
      said('Parts renewed when its lining is burnt', array(said('Part', id), { maxItems: 20 })),
    ),
    drumPart: optional(said('Drum a band runs on', id)),
    feedPath: said(
      'Parts its own oil passes, in the order of the oil',
      array(said('Part', id), { maxItems: 40 }),
    ),
    powerPath: said('Parts its torque passes, in order', array(said('Part', id), { maxItems: 40 })),
    station: reachedAt,
    part: optional(said('The part a one-way clutch is ordered and graded as', id)),
  }),
);
export type Element = Of<typeof element>;
export type ElementKind = Element['kind'];
