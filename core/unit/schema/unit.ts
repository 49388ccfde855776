import {
  alsoOf,
  array,
  documentSchema,
  integer,
  literal,
  map,
  oneOf,
  optional,
  said,
  shape,
  text,
} from '@/core/format';
import type { Of } from '@/core/format';
import { above0, id } from './fields';
import { element } from './element';
import { converter, labourOperation, sensor, solenoid, spec, station, variant } from './equipment';
import { bearing, gearPosition, gearset, member } from './gearing';
import { part } from './part';

/**
 * A unit definition: everything Pelvik knows about one transmission family, as data. Nothing in it that can be derived
 * (ratios, torque shares, fault signatures) is stated.
 */
const definition = shape({
  format: said(
    'Format and version; files of the first version say less of parts and work, and are read as they mean',
    literal('pelvik-unit/2'),
  ),
  id: said('Id of the family', id),
  name: said('Name', text(120)),
  description: said('What it is', text(400)),
  layout: said('One line: speeds, drive, arrangement', text(160)),
  speeds: said('Forward speeds', integer(1, 20)),
  forwardSign: said('Sign of input speed ÷ output speed in forward gears', oneOf([1, -1])),
  input: said('Member the turbine turns', id),
  output: said('Member that leaves the unit', id),
  engine: said(
    'The stock engine',
    shape({
      torqueNm: said('Greatest torque, N·m', above0(5000)),
      stallTorqueRatio: said('Turbine torque ÷ engine torque at stall, no unit', above0(5)),
    }),
  ),
  pressure: said(
    'Line pressure',
    shape({
      fullPa: said('Full, Pa', above0(1e8)),
      idlePa: said('At idle, Pa', above0(1e8)),
      ranges: optional(
        said(
          'Full pressure of ranges that have their own, Pa',
          map(said('Pa', above0(1e8)), { maxProperties: 26, propertyNames: { pattern: '^[A-Z]$' } }),
        ),
      ),
    }),
  ),
  converter,
  fluidLitres: said('Dry fill, litres', above0(100)),
  levelBy: said('How the level is checked', oneOf(['dipstick', 'overflow-plug'])),
  drain: said('Where it is drained', oneOf(['pan', 'plug'])),
  members: said(
    'Rotating parts; `case` is the fixed one and is not listed',
    array(member, { minItems: 2, maxItems: 60 }),
  ),
  gearsets: said('Gearsets', array(gearset, { maxItems: 40 })),
  elements: said(
    'Clutches, brakes, bands, dogs, one-way clutches',
    array(element, { minItems: 1, maxItems: 60 }),
  ),
  gears: said('Application chart', array(gearPosition, { minItems: 1, maxItems: 60 })),
  bearings: said('Bearings and thrust washers between members', array(bearing, { maxItems: 100 })),
  solenoids: said('Solenoids', array(solenoid, { maxItems: 40 })),
  sensors: said('Sensors', array(sensor, { maxItems: 40 })),
  stations: said('Takedown, place by place', array(station, { minItems: 1, maxItems: 60 })),
  parts: said('Parts', array(part, { maxItems: 400 })),
  commonFeed: said(
    'Parts every element’s oil passes, sump to manual valve, in the order of the oil',
    array(said('Part', id), { maxItems: 40 }),
  ),
  labour: said('Labour operations', array(labourOperation, { maxItems: 100 })),
  variants: said('Parts of one name that differ', array(variant, { maxItems: 40 })),
  specs: said(
    'Limits; clearances of packs, band travel and coil resistances stand with their own',
    array(spec, { maxItems: 200 }),
  ),
});

export type UnitDefinition = Of<typeof definition>;

export const unitSchema = documentSchema(
  'pelvik-unit/2',
  'Pelvik unit definition',
  alsoOf(
    said(
      'A transmission family. SI units; money in minor units; ids of letters, digits and hyphens.',
      definition,
    ),
    'pelvik-unit/1',
  ),
);
