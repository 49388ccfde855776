import { day, integer, list, number, object, oneOf, said, text, words, yesNo } from '@/core/format';
import type { Schema } from '@/core/format';
import type { SlotHead } from './slot-stage';
import { POLICY_SLOTS } from './policy-schemas';
import { BEHAVIOURS, CONDITIONS, GRADES, NOISES, REPAIR_EFFECTS, SCOPE_ACTIONS } from './vocabulary';

const money = said('Minor units', integer(0, 100_000_000));

/** What a gear does at one heat. */
const told = object(
  {
    behaviours: list(oneOf(BEHAVIOURS), 6),
    noises: list(oneOf(NOISES), 5),
    when: list(oneOf(CONDITIONS), 2),
    limp: said('The electronics had fallen back to a limp gear', yesNo),
    actsLike: text(8),
    delayS: number(0, 60),
  },
  ['behaviours'],
);

const made = said(
  'The scope of a repair as somebody stood by it: KEY ACTION QUANTITY of each line',
  object({ lines: list(text(160), 400) }, ['lines']),
);

/** What one side says of a gear: cold and hot apart. */
const gear = object({ any: told, cold: told, hot: told }, []);

/**
 * Every slot of a job's record but its findings; the first part of its name says the stage it belongs to. A new kind of
 * record is one line here.
 */
export const SLOTS = {
  'customer.name': text(120),
  'customer.phone': text(40),
  'vehicle.bare': yesNo,
  'vehicle.make': text(60),
  'vehicle.model': text(60),
  'vehicle.year': integer(1950, 2100),
  'vehicle.plate': text(20),
  'vehicle.serial': text(40),
  'vehicle.engine': text(60),
  'vehicle.drive': oneOf(['front', 'rear', 'all']),
  'unit-source.from': said('Of a bare unit or core: where it came from', text(120)),
  'unit-source.cost': said('What it cost, minor units', money),
  'vehicle.odometerKm': number(0, 3_000_000),
  'vehicle.value': money,
  'job.promised': day,
  'job.waitsFor': oneOf(['customer', 'part', 'bench', 'measurement']),
  'complaint.words': text(4000),
  'complaint.after': said('After how long it shows', text(120)),
  'complaint.onset': oneOf(['sudden', 'gradual', 'after-work', 'unknown']),
  'grid.*.customer': said('What the customer says of a gear', gear),
  'grid.*.shop': said('What the shop has seen of it', gear),
  'history.rebuilt': object(
    { by: oneOf(['never', 'here', 'elsewhere', 'unknown']), monthsAgo: integer(0, 600), what: text(1000) },
    ['by'],
  ),
  'history.converter': oneOf(['original', 'new', 'rebuilt-here', 'bought-rebuilt', 'unknown']),
  'history.fluid': oneOf(['not-recent', 'recent', 'unknown']),
  'history.towing': oneOf(['none', 'light', 'heavy', 'unknown']),
  'history.powerFactor': said('Engine torque as a multiple of stock', number(0.5, 4)),
  'history.tyres': oneOf(['stock', 'larger', 'unknown']),
  'history.mud': oneOf(['none', 'mud', 'water', 'unknown']),
  'history.parkRolling': said('Put into Park while rolling', oneOf(['no', 'yes', 'unknown'])),
  'history.comeback': said('Number of the job it comes back from', integer(1, 100_000_000)),
  'history.repair.*': said(
    'A repair tried, and what it changed; with its part and effect it is evidence about that part',
    object({ done: text(300), changed: text(300), part: text(80), effect: oneOf(REPAIR_EFFECTS) }, ['done']),
  ),
  'history.opinion.*': said(
    'A diagnosis from elsewhere; with its part and effect the same',
    object({ by: text(120), said: text(600), part: text(80), effect: oneOf(REPAIR_EFFECTS) }, ['said']),
  ),
  'roadtest.*': said(
    'One drive',
    object(
      {
        km: number(0, 2000),
        temperature: oneOf(['cold', 'warm', 'hot']),
        pattern: text(300),
        driver: text(80),
        result: oneOf(['reproduced', 'partly', 'not-reproduced']),
      },
      ['temperature', 'result'],
    ),
  ),
  'speeds.*': said(
    'One drive with the gear asked for, and what was measured: what gear it really is follows',
    object(
      {
        gear: text(8),
        engineRpm: number(0, 12_000),
        inputRpm: number(0, 20_000),
        outputRpm: number(0, 20_000),
        warmth: oneOf(['cold', 'warm', 'hot']),
      },
      ['gear', 'inputRpm', 'outputRpm'],
    ),
  ),
  'codes.scan': oneOf(['none', 'these', 'not-scanned']),
  'codes.list.*': said(
    'A code that was read',
    object(
      {
        kind: oneOf(['electrical', 'rationality']),
        gear: text(8),
        freeze: said('What the computer kept of the moment', text(300)),
        cleared: said('When it was cleared, and by whom; absent: it stands', text(120)),
        note: text(300),
      },
      ['kind'],
    ),
  ),
  'station.*.out': said('A station is taken out', yesNo),
  'photo.*': said(
    'What a photo is about',
    object(
      {
        about: said('A finding, or a subject: `part.sun-shell.crack`, `element.K2`', text(200)),
        caption: words(300),
        marker: object({ x: number(0, 1), y: number(0, 1) }, ['x', 'y']),
      },
      ['about'],
    ),
  ),
  'cause.commit': said(
    'The committed cause, or `not-determined`',
    object({ cause: text(120), contributing: list(text(120), 8), reason: words(2000) }, ['cause', 'reason']),
  ),
  'cause.words': text(4000),
  'cause.experience': said('The shop’s own closed jobs are not counted into the base rates', oneOf(['off'])),
  ...POLICY_SLOTS,
  'scope.why.*': said('Why the shop’s way is left in this job, by policy', text(300)),
  'scope.variant.*': said('The identifying measurement of a variant, m', number(0, 2)),
  'scope.source.*': said(
    'Where a part is bought: an offer that was taken, or a piece of the shop’s own shelf',
    object(
      {
        grade: oneOf(GRADES),
        supplier: text(80),
        price: said('What the customer pays, minor units', money),
        leadDays: integer(0, 400),
        coreDeposit: money,
        returnDays: integer(0, 400),
        packaging: said('What the old part must come back in', text(200)),
        shelf: said('The piece of the shelf that is held for this job', text(60)),
        on: said('The day it was offered', day),
      },
      ['grade', 'supplier', 'price', 'leadDays', 'on'],
    ),
  ),
  'scope.made.targeted': made,
  'scope.made.full': made,
  'scope.made.upgrade': made,
  'scope.made.exchange': made,
  'scope.waiver.*': said(
    'Somebody signs for what speaks against the scope, by the problem’s id',
    object({ words: words(500) }, ['words']),
  ),
  'scope.line.*': said(
    'A line added, changed or taken out, with the reason',
    object(
      {
        change: oneOf(['add', 'change', 'remove']),
        part: text(80),
        operation: text(80),
        name: text(160),
        action: oneOf(SCOPE_ACTIONS),
        quantity: said('Pieces, or litres of fluid', number(0.1, 99)),
        price: money,
        hours: number(0, 200),
        reason: text(500),
      },
      ['change', 'reason'],
    ),
  ),
  'quote.discount': said(
    'Taken off before tax: a share or an amount',
    object({ share: number(0, 1), amount: money, words: words(200) }, ['words']),
  ),
  'quote.note': said('What the customer is told besides', text(2000)),
  'clip.*': said('A short clip that goes along with the quote', object({ caption: words(300) }, ['caption'])),
  'quote.without.*': said('A photo or finding that is left out of the quote', yesNo),
  'order.*': said(
    'What was ordered for the agreed version, by its line',
    object(
      {
        state: oneOf(['ordered', 'arrived', 'fitted']),
        on: day,
        due: day,
        coreBack: said('The old part went back for its deposit', day),
      },
      ['state'],
    ),
  ),
} as const satisfies { [pattern: `${SlotHead}.${string}`]: Schema };
