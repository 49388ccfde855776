import { addElement, addMesh, addPlanetary, blankUnit } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { columnsOf } from './axes';
import { devicesOf } from './device';
import { flowOf } from '@/ui/powerflow/flow';
import { sectionOf } from './section';
import type { Block, Body } from './section';

/** Besides the shipped units: one just begun, one with a set on a layshaft, one with nothing but shafts. */
const begun = addElement(addElement(addPlanetary(blankUnit('begun', 'Begun')), 'brake'), 'band');
const mixed = addElement(addMesh(begun), 'one-way');
const all = [...shippedUnits, begun, mixed, blankUnit('bare', 'Bare')].map((u): [string, UnitDefinition] => [
  u.id,
  u,
]);

const touch = (a: Block, b: Block) =>
  a.x <= b.x + b.width + 0.01 &&
  b.x <= a.x + a.width + 0.01 &&
  a.r <= b.r + b.height + 0.01 &&
  b.r <= a.r + a.height + 0.01;

/** All blocks of a body hang together. */
function inOnePiece({ blocks }: Body): boolean {
  const reached = new Set([0]);
  for (let grown = true; grown; ) {
    grown = false;
    blocks.forEach((b, k) => {
      if (reached.has(k) || ![...reached].some((r) => touch(blocks[r]!, b))) return;
      reached.add(k);
      grown = true;
    });
  }
  return reached.size === blocks.length;
}

describe.each(all)('%s', (_, unit) => {
  const section = sectionOf(unit);
  test('everything has a column, nothing stands twice, columns do not overlap', () => {
    expect(section.placed.map((p) => p.device.id).sort()).toEqual(
      devicesOf(unit)
        .map((d) => d.id)
        .sort(),
    );
    for (const a of section.placed)
      for (const b of section.placed) if (a.x < b.x) expect(a.x + a.width).toBeLessThanOrEqual(b.x);
  });
  test('every member is drawn in one piece, within the sheet', () => {
    for (const body of section.bodies) {
      expect({ member: body.member, whole: inOnePiece(body) }).toEqual({ member: body.member, whole: true });
      for (const b of body.blocks) {
        for (const v of [b.x, b.width, b.r, b.height]) expect(Number.isFinite(v)).toBe(true);
        expect(b.width).toBeGreaterThan(0);
        expect(b.height).toBeGreaterThanOrEqual(0);
        expect(b.x + b.width).toBeLessThanOrEqual(section.width + 4);
        expect(b.r).toBeGreaterThanOrEqual(0);
      }
    }
  });
  test('every member that meets something is there', () => {
    const drawn = new Set(section.bodies.map((b) => b.member));
    for (const e of unit.elements)
      for (const id of [e.a, e.b]) if (id !== 'case') expect(drawn).toContain(id);
  });
  test('sleeves of two members never run into each other', () => {
    const sleeves = section.bodies.map((b) => ({
      member: b.member,
      axis: b.axis,
      run: b.blocks.reduce((a, c) => (c.width > a.width ? c : a)),
    }));
    for (const a of sleeves)
      for (const b of sleeves)
        if (a.member < b.member && a.axis === b.axis && a.run.width > 60 && b.run.width > 60)
          expect({ pair: [a.member, b.member], meet: touch(a.run, b.run) }).toEqual({
            pair: [a.member, b.member],
            meet: false,
          });
  });
  test('what can be touched is wide enough for a glove', () => {
    for (const p of section.placed) expect(p.width).toBeGreaterThanOrEqual(44);
  });
});

test('members about one axis share it; pairs of gears stand between two', () => {
  const { axes, axisOf, placed } = columnsOf(shippedUnits.find((u) => u.id === 'hadric-five')!);
  expect(axes).toBe(3);
  expect(new Set(['in', 'm4', 'm5'].map((m) => axisOf.get(m)))).toEqual(new Set([0]));
  expect(new Set(['cs', 'g3', 'c4', 'cr'].map((m) => axisOf.get(m)))).toEqual(new Set([1]));
  expect(new Set(['ss', 'g1', 'g2'].map((m) => axisOf.get(m)))).toEqual(new Set([2]));
  for (const p of placed) if (p.device.kind === 'gearset') expect(p.axes).toHaveLength(2);
});

test('gears that mesh fill the room between their shafts', () => {
  const { gearRadius, axes } = sectionOf(shippedUnits.find((u) => u.id === 'hadric-five')!);
  const room = axes[1]!.y - axes[0]!.y;
  expect(gearRadius.get('fourth first')! + gearRadius.get('fourth second')!).toBeCloseTo(room, 9);
  expect(gearRadius.get('fourth first')! / gearRadius.get('fourth second')!).toBeCloseTo(37 / 34, 9);
});

describe('where torque runs', () => {
  const six = shippedUnits.find((u) => u.id === 'ostrel-six')!;
  test('third: both clutches on the Ravigneaux set, K3 and the brakes rest', () => {
    const { elements, members, gearsets } = flowOf(six, 'D3', []);
    expect(
      [...elements]
        .filter(([, s]) => s === 'carries')
        .map(([id]) => id)
        .sort(),
    ).toEqual(['K1', 'K2']);
    expect(members.get('C1')).toBe('carries');
    expect(gearsets).toContain('front');
  });
  test('second: the large sun holds without turning', () =>
    expect(flowOf(six, 'D2', []).members.get('Sl')).toBe('holds'));
  test('a lost element is open, a stuck one applied at least', () => {
    expect(flowOf(six, 'D2', [{ kind: 'lost', element: 'B1' }]).elements.get('B1')).toBe('open');
    expect(flowOf(six, 'D2', [{ kind: 'stuck', element: 'B2' }]).elements.get('B2')).not.toBe('open');
  });
  test('in Neutral nothing carries', () => {
    const { members } = flowOf(six, 'N', []);
    expect([...members.values()]).not.toContain('carries');
  });
});

test('tied up, everything stands', () => {
  const hadric = shippedUnits.find((u) => u.id === 'hadric-five')!;
  const { members } = flowOf(hadric, 'D1', [{ kind: 'stuck', element: 'C4R' }]);
  expect(new Set(members.values())).toEqual(new Set(['stands']));
});
