import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { shippedUnits } from '@/data/shipped';
import { told } from '@/tests/fixtures/told';
import { recordFacts } from './record';

const unit = (id: string) => shippedUnits.find((u) => u.id === id)!;
const read = (values: Record<string, Json>, of = 'ostrel-four') =>
  recordFacts(unit(of), stateFromValues(values)).map((f) => `${f.point}=${f.level} < ${f.slots.join()}`);

test.each<[string, string, string]>([
  ['history.converter', 'bought-rebuilt', 'history-converter'],
  ['history.towing', 'heavy', 'history-towing'],
  ['history.fluid', 'recent', 'history-fluid'],
  ['history.tyres', 'larger', 'history-tyres'],
  ['history.mud', 'mud', 'history-mud'],
  ['history.parkRolling', 'yes', 'history-park'],
])('%s %s is %s, and unknown is nothing', (slot, value, point) => {
  expect(read({ [slot]: value })).toEqual([`${point}=${value} < ${slot}`]);
  expect(read({ [slot]: 'unknown' })).toEqual([]);
});

test.each([
  [1.15, 'stock'],
  [1.16, 'raised'],
  [0.9, 'stock'],
])('power of %f times the stock is %s', (factor, level) =>
  expect(read({ 'history.powerFactor': factor })).toEqual([`history-power=${level} < history.powerFactor`]),
);

test.each<[Json, string[]]>([
  [{ by: 'never' }, ['never']],
  [{ by: 'never', monthsAgo: 60 }, ['never']],
  [{ by: 'another-shop', monthsAgo: 24 }, ['recent']],
  [{ by: 'another-shop', monthsAgo: 25 }, ['long-ago']],
  [{ by: 'this-shop' }, ['recent']],
  [{ by: 'unknown' }, []],
])('rebuilt %j is %j', (value, levels) =>
  expect(read({ 'history.rebuilt': value })).toEqual(
    levels.map((level) => `history-rebuilt=${level} < history.rebuilt`),
  ),
);

test.each<[number, Json | null, string[]]>([
  [79_999, null, ['short']],
  [80_000, null, ['middle']],
  [219_999, { by: 'never' }, ['middle']],
  [220_000, null, ['long']],
  [300_000, { by: 'this-shop', monthsAgo: 60 }, []],
  [300_000, { by: 'unknown' }, []],
])('%i km, rebuilt %j: %j', (km, rebuilt, levels) =>
  expect(
    read({ 'vehicle.odometerKm': km, ...(rebuilt ? { 'history.rebuilt': rebuilt } : {}) }).filter((f) =>
      f.startsWith('history-distance'),
    ),
  ).toEqual(levels.map((level) => `history-distance=${level} < vehicle.odometerKm`)),
);

test('a part renewed before counts once it is said which, and what that changed', () => {
  expect(read({ 'history.repair.r-1': { part: 'solenoid-s1', effect: 'nothing' } })).toEqual([
    'replaced:solenoid-s1=nothing < history.repair.r-1',
  ]);
  expect(read({ 'history.repair.r-1': { part: 'solenoid-s1' } })).toEqual([]);
  expect(read({ 'history.repair.r-1': { effect: 'cured' } })).toEqual([]);
});

test('hot only is said where some gear is hot and not well', () => {
  const hot = told(['slips'], ['hot']);
  expect(read({ 'grid.D2.customer': hot, 'grid.D3.customer': told(['normal'], ['hot']) })).toEqual([
    'only-hot=yes < grid.D2.customer',
  ]);
  expect(read({ 'grid.D2.customer': told(['slips'], ['cold']) })).toEqual([]);
  expect(read({ 'grid.D2.customer': told(['slips']) })).toEqual([]);
});

describe('codes', () => {
  const codes = (list: Record<string, Json>, of?: string, scan: Json = 'these') =>
    read(
      {
        'codes.scan': scan,
        ...Object.fromEntries(Object.entries(list).map(([c, v]) => [`codes.list.${c}`, v])),
      },
      of,
    );
  test('nobody scanned, or nobody said so: nothing of codes as a whole', () => {
    expect(codes({}, undefined, 'not-scanned')).toEqual([]);
    expect(read({ 'codes.list.P0732': { kind: 'rationality' } })).toEqual([
      'code.P0732=yes < codes.list.P0732',
    ]);
    expect(codes({ P0732: { kind: 'electrical' } }, undefined, 'not-scanned')).toEqual([
      'code.P0732=yes < codes.list.P0732',
    ]);
  });
  test('one electrical code makes the scan electrical, on all that stand', () =>
    expect(codes({ P0732: { kind: 'rationality' }, P0713: { kind: 'electrical' } })[0]).toBe(
      'codes=electrical < codes.list.P0713,codes.list.P0732',
    ));
  test.each([
    ['P0749', null],
    ['P0750', 'S1'],
    ['P0754', 'S1'],
    ['P0755', 'S2'],
    ['P0764', 'S3'],
    ['P0765', null],
    ['P0780', null],
    ['XP0750', null],
    ['P07501', null],
  ])('%s is about %s', (code, solenoid) =>
    expect(codes({ [code]: { kind: 'electrical' } })).toEqual([
      solenoid ? `code-coil:${solenoid}=yes < codes.list.${code}` : `codes=electrical < codes.list.${code}`,
      `code.${code}=yes < codes.list.${code}`,
    ]),
  );
  test('six solenoids have numbers, the shift ones alone, by the number a unit gives them', () => {
    expect(codes({ P0770: { kind: 'electrical' } }, 'ostrel-six')[0]).toMatch(/^code-coil:S-B2=/);
    expect(codes({ P0775: { kind: 'electrical' } }, 'ostrel-six')[0]).toMatch(/^codes=/);
    expect(codes({ P0780: { kind: 'electrical' } }, 'ostrel-eight')[0]).toMatch(/^codes=/);
    const four = unit('ostrel-four');
    const [s1, s2, ...rest] = four.solenoids;
    const exchanged = {
      ...four,
      solenoids: [rest.at(-1)!, { ...s1!, shiftIndex: 1 }, { ...s2!, shiftIndex: 0 }, ...rest],
    };
    const state = stateFromValues({ 'codes.list.P0750': { kind: 'electrical' } });
    expect(recordFacts(exchanged, state)[0]!.point).toBe('code-coil:S2');
    const { shiftIndex: _, ...bare } = s2!;
    const unnumbered = { ...four, solenoids: [{ ...bare }, rest[0]!] };
    expect(recordFacts(unnumbered, state)[0]!.point).toBe('code-coil:S2');
  });
  test('what names a solenoid is no word on codes as a whole, nor when cleared on the solenoid', () => {
    expect(codes({ P0750: { kind: 'rationality' } })).toEqual([
      'code-shift:S1=yes < codes.list.P0750',
      'code.P0750=yes < codes.list.P0750',
    ]);
    expect(codes({ P0750: { kind: 'rationality', cleared: 'by us' } })).toEqual([]);
  });
});
