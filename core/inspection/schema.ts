import {
  array,
  conditions,
  documentSchema,
  either,
  exactlyOne,
  integer,
  literal,
  number,
  numberWithin,
  oneOf,
  optional,
  plainName,
  said,
  shape,
  string,
  text,
  yesNo,
} from '@/core/format';
import type { Of } from '@/core/format';
import { STAGES } from '@/core/stage';
import { amountsField } from './field/amounts';
import { choiceField } from './field/choice';
import { levels } from './field/level';
import { measureField } from './field/measure';
import { scaleField } from './field/scale';
import { testField } from './field/test';
import { wordsField } from './field/words';

export type { Level } from './field/level';
export type { LimitKind, MeasureUnit } from './field/quantities';

const id = plainName;
const selectors = array(string({ pattern: '^(\\*|[a-z][a-z0-9-]{0,59})$' }), { minItems: 1 });

/** What it is looked at on; the value is a list of selectors a subject must match one of. */
const target = shape(
  {
    part: optional(selectors),
    element: optional(selectors),
    plate: optional(selectors),
    face: optional(selectors),
    gearset: optional(selectors),
    solenoid: optional(selectors),
    sensor: optional(selectors),
    station: optional(selectors),
    unit: optional(selectors),
  },
  { minProperties: 1 },
);
type Target = Of<typeof target>;
export type TargetHead = keyof Target;

/** Drawn beside a subject: by these, not by its name, one finds it in a row of many. */
const GLYPHS = [
  'plate',
  'drum',
  'piston',
  'seal',
  'spring',
  'ring',
  'band',
  'shaft',
  'gear',
  'carrier',
  'bearing',
  'bushing',
  'one-way',
  'pump',
  'converter',
  'filter',
  'drop',
  'crumbs',
  'solenoid',
  'sensor',
  'valve',
  'case',
  'plug',
  'cooler',
  'pawl',
  'mark',
] as const;
export type GlyphId = (typeof GLYPHS)[number];

const ASKED = ['warmth', 'temperatureC', 'pressureKpa', 'oilFilm'] as const;
export type Condition = (typeof ASKED)[number];

/** How a point is answered: what there is to say of each kind stands in a file of its own in `field/`. */
const field = exactlyOne(
  said('A word of a scale', scaleField()),
  said('A word of its own list', choiceField()),
  said('The same; a test keeps its conditions', testField()),
  said('A number', measureField()),
  said('An amount for each place', amountsField()),
  said('Free words', wordsField()),
);
export type Field = Of<typeof field>;
export type FieldKind = Field['kind'];

/** At these levels, under these conditions and facts, a finding counts with `weight` only, and says why. */
const weakening = shape({
  levels: optional(array(id, { minItems: 1 })),
  job: optional(said('Facts of the job, as point=level', array(conditions))),
  under: optional(
    said(
      'Its own conditions; `otherwise` is taken where the finding does not say',
      array(
        shape({
          condition: oneOf(ASKED),
          below: optional(numberWithin({})),
          is: optional(either(yesNo, string({}))),
          otherwise: either(yesNo, string({}), numberWithin({})),
        }),
      ),
    ),
  ),
  weight: numberWithin({ exclusiveMinimum: 0, maximum: 1 }),
  caution: text(200),
});
export type Weakening = Of<typeof weakening>;

/** One thing to look at, with what may be answered. */
const point = shape({
  id,
  words: text(80),
  field,
  minutes: number(0, 240),
  also: optional(said('Words it is also found by', text(200))),
  where: optional(
    said('Places to choose from where it is seen; free words without', array(text(60), { minItems: 1 })),
  ),
  ask: optional(said('Conditions the form asks for, beside those any finding may keep', array(oneOf(ASKED)))),
  counts: optional(
    said(
      'What it adds to: the worst of all that count makes the state of the part or of the lining',
      oneOf(['part', 'lining']),
    ),
  ),
  gives: optional(
    said(
      'Further facts it gives: yes at these levels, else no',
      array(shape({ fact: id, yes: array(id, { minItems: 1 }) })),
    ),
  ),
  weakens: optional(said('What makes it say less than it seems to', array(weakening))),
  when: optional(said('Asked only where the unit states a limit for it', literal('limit'))),
  quick: optional(said('Answered in the row itself; "the rest is sound" answers it too', literal(true))),
  caution: optional(said('What can hurt somebody at it; and what its answer clears, or does not', text(300))),
  hint: optional(text(300)),
  expected: optional(
    said('A job is not done without it: its stage says so as long as it is open', literal(true)),
  ),
  picture: optional(
    said(
      'The picture it is painted in, place by place: each place is a reading of its own. Faces have the pack',
      oneOf(['band', 'planetary']),
    ),
  ),
});
export type Point = Of<typeof point>;

/** `data/inspection/*.json`: what is looked at on one kind of thing, and what the answers mean. */
const file = shape({
  format: literal('pelvik-inspection/1'),
  id,
  of: said('A kind of part, of element, of plate …; * stands for all of them', target),
  words: text(80),
  order: said('Place among the others of a station, the lowest first', integer(0, 1000)),
  glyph: oneOf(GLYPHS),
  stage: oneOf(STAGES),
  at: optional(said('Whole-unit matters: the station they are asked at', literal('drain'))),
  unlisted: optional(
    said(
      'It has no row of its own: something else stands for it (a pack for its plates, a solenoid for its part)',
      literal(true),
    ),
  ),
  fails: optional(said('How a part of this kind fails', array(text(60)))),
  points: array(point, { maxItems: 40 }),
});
export type InspectionFile = Of<typeof file>;
export const inspectionSchema = documentSchema(
  'pelvik-inspection/1',
  'What is looked at on one kind of thing, and what the answers mean',
  file,
);

const scale = shape({ id, levels: levels() });
export type Scale = Of<typeof scale>;

/** `data/inspection/scales.json`. */
const scaleFile = shape({ format: literal('pelvik-scales/1'), scales: array(scale, { minItems: 1 }) });
export type ScaleFile = Of<typeof scaleFile>;
export const scalesSchema = documentSchema(
  'pelvik-scales/1',
  'Words of one kind, from sound to past use',
  scaleFile,
);
