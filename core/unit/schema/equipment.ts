import {
  array,
  integer,
  literal,
  number,
  oneOf,
  optional,
  said,
  shape,
  string,
  text,
  yesNo,
} from '@/core/format';
import type { Of } from '@/core/format';
import { above0, id, limitsIn, name, reachedAt } from './fields';
import { LABOUR_RATES, OPERATION_ROLES, SPEC_KINDS } from '../kinds';

export const converter = said(
  'The torque converter',
  shape({
    part: said('Part to order', id),
    serviceable: said('It can be opened and relined in the house', yesNo),
    lockUp: said('It has a lock-up clutch', yesNo),
    lockUpGears: said(
      'Keys of the gears in which lock-up may apply',
      array(said('Gear key', string({})), { maxItems: 60 }),
    ),
  }),
);

export const solenoid = said(
  'A solenoid',
  shape({
    id: said('Id', id),
    name,
    kind: said('On or off, or a current that sets a pressure', oneOf(['on-off', 'linear'])),
    role: said('What it sets', oneOf(['shift', 'pressure', 'lock-up'])),
    shiftIndex: optional(said('Its place in a gear’s solenoid states, from 0', integer(0, 19))),
    element: optional(said('The one element whose pressure it sets', id)),
    ohm: said('Coil resistance at 20 °C, Ω', limitsIn('Ω')),
    part: said('Part to order', id),
  }),
);
export type Solenoid = Of<typeof solenoid>;

export const sensor = said(
  'A sensor',
  shape({
    id: said('Id', id),
    name,
    kind: said('What it reads', oneOf(['speed', 'temperature', 'pressure', 'position'])),
    member: optional(said('Member whose speed it counts', id)),
    pulses: optional(said('Pulses per turn', integer(1, 400))),
    magnetic: said('Its tip is a magnet and gathers fine metal', yesNo),
    station: reachedAt,
  }),
);
export type Sensor = Of<typeof sensor>;

export const station = said(
  'A place of the takedown',
  shape({
    id: said('Id', id),
    name,
    order: said('Place in the removal order, from 1', integer(1, 200)),
    benchHours: optional(
      said('Hours at the bench when something here is renewed in a targeted repair', number(0, 40)),
    ),
    drains: optional(said('Here the oil runs out', literal(true))),
    position: said('Where it sits along the unit, 0 converter end to 1 output end, no unit', number(0, 1)),
    blockedBy: said('Stations that have to be out first', array(said('Station', id), { maxItems: 40 })),
    cautions: said('What can hurt or be broken here', array(said('Caution', text(400)), { maxItems: 20 })),
    tools: said('Special tools', array(said('Tool', text(400)), { maxItems: 20 })),
    fasteners: said(
      'Threads, lengths, sealants, what is not used twice',
      array(said('Note', text(400)), { maxItems: 20 }),
    ),
  }),
);
export type Station = Of<typeof station>;

export const spec = said(
  'A limit that is measured',
  shape({
    id: said('Id', id),
    name: said('What is measured', text(160)),
    kind: said('Kind; lengths in m, pressure in Pa, flow in m³/s, torque in N·m', oneOf(SPEC_KINDS)),
    station: reachedAt,
    min: optional(said('Least allowed, in the unit of its kind', number(0, 1e9))),
    max: optional(said('Most allowed, in the unit of its kind', number(0, 1e9))),
    gearset: optional(said('Gearset it belongs to', id)),
    part: optional(said('Part it belongs to', id)),
    element: optional(said('Element it belongs to', id)),
    load: optional(said('For pressure: at which load', oneOf(['idle', 'full']))),
    range: optional(said('For pressure: in which range, where it has its own', text(8))),
  }),
);
export type Spec = Of<typeof spec>;

export const labourOperation = said(
  'An operation',
  shape({
    id: said('Id', id),
    name: said('What is done', text(160)),
    role: optional(said('What the operation is to the rules, whatever it is called', oneOf(OPERATION_ROLES))),
    hours: said('Hours', above0(200)),
    overlaps: optional(
      said(
        'Hours saved where another operation is done too',
        array(
          said(
            'Another operation',
            shape({
              with: said('Operation', id),
              hours: said('Hours both would count', above0(100)),
            }),
          ),
          { minItems: 1, maxItems: 20 },
        ),
      ),
    ),
    rate: optional(
      said('Which of the shop’s rates it is charged at; bench where none is said', oneOf(LABOUR_RATES)),
    ),
    before: optional(said('Share of it that is done once the unit is apart', above0(1))),
  }),
);
export type LabourOperation = Of<typeof labourOperation>;

export const variant = said(
  'A variant',
  shape({
    id: said('Id', id),
    name: said('What differs', text(200)),
    part: said('Part', id),
    measure: said('Identifying measurement, before ordering', text(400)),
    readings: said(
      'What the measurement reads for each',
      array(
        said(
          'One of them',
          shape({
            is: said('Which it then is', text(120)),
            min: said('From, m', number(0, 10)),
            max: said('To, m', number(0, 10)),
          }),
        ),
        { maxItems: 20 },
      ),
    ),
  }),
);
export type Variant = Of<typeof variant>;
