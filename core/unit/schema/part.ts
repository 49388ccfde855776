import { array, exactlyOne, integer, number, oneOf, optional, said, shape, text, yesNo } from '@/core/format';
import type { Of } from '@/core/format';
import { above0, id } from './fields';
import { MATERIALS, PART_ROLES } from '../kinds';

const attachment = said(
  'What hangs there',
  exactlyOne(
    said(
      'An element',
      shape({
        element: said('Element on the far side', id),
      }),
    ),
    said(
      'A shaft end',
      shape({
        terminal: said('Shaft end on the far side', oneOf(['input', 'output'])),
      }),
    ),
    said(
      'One gear of a gearset',
      shape({
        gearset: said('Gearset', id),
        gear: said('Which of its gears', oneOf(['sun', 'ring', 'carrier', 'first', 'second'])),
      }),
    ),
  ),
);
export type Attachment = Of<typeof attachment>;

export const part = said(
  'A part',
  shape({
    id: said('Id', id),
    name: said('What it is called', text(160)),
    role: optional(
      said('What the part is to causes, rules and drawings, whatever it is called', oneOf(PART_ROLES)),
    ),
    kind: optional(
      said('What sort of thing it is: what is looked at on it goes by this (docs/formats/inspection.md)', id),
    ),
    element: optional(said('Element it belongs to', id)),
    gearset: optional(said('Gearset it belongs to', id)),
    sizes: optional(
      said('Sizes it is sold in, m', array(said('m', above0(1)), { minItems: 1, maxItems: 40 })),
    ),
    soldAs: optional(said('It is sold as this part only: the set it belongs to, or its successor', id)),
    mistakenFor: optional(
      said(
        'Parts of nearly equal size it is taken for',
        array(said('Part', id), { minItems: 1, maxItems: 10 }),
      ),
    ),
    station: said('Station it comes out at', id),
    material: said('What it is made of, for debris', oneOf(MATERIALS)),
    magnetic: optional(said('What a magnet says, where it is not what the material would', yesNo)),
    splits: optional(
      said(
        'It is a link of a power path: broken, it divides the member in two',
        shape({
          member: said('Member it holds together', id),
          away: said(
            'What hangs on the far side; all else stays on the near side',
            array(attachment, { minItems: 1, maxItems: 40 }),
          ),
        }),
      ),
    ),
    weakness: optional(said('How often it starts trouble, 1 = like its peers, no unit', number(0, 100))),
    failure: optional(said('How it fails, from the failure words', text(60))),
    note: optional(said('What is known about it at the bench', text(400))),
    price: optional(said('Price, minor units of the currency', integer(0, 1e8))),
    leadDays: optional(said('Delivery, working days', integer(0, 365))),
    coreDeposit: optional(said('Deposit for the old part, minor units', integer(0, 1e8))),
    returnDays: optional(said('Days to bring the old part back for its deposit', integer(1, 365))),
    supplier: optional(said('Supplier', text(120))),
    kit: optional(
      said(
        'In the overhaul kit, ordered separately (not in the kit), or always renewed',
        oneOf(['overhaul', 'separate', 'always']),
      ),
    ),
    takesAlong: optional(said('Parts renewed with it', array(said('Part', id), { maxItems: 40 }))),
    variantMeasurement: optional(said('How to tell its variants apart before ordering', text(400))),
  }),
);
export type Part = Of<typeof part>;
