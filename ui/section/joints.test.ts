import { shippedUnits } from '@/data/shipped';
import { devicesOf, endsOf, widthOf } from './device';
import { jointOf } from './joints';
import { sectionOf } from './section';

describe.each(shippedUnits.map((u) => [u.id, u] as const))('%s', (_, unit) => {
  const section = sectionOf(unit);
  test('every part that can break has its place in the drawing, on its own member', () => {
    for (const part of unit.parts.filter((p) => p.splits)) {
      const joint = jointOf(section, part);
      expect({ part: part.id, found: joint !== undefined }).toEqual({ part: part.id, found: true });
      expect(joint!.member).toBe(part.splits!.member);
      expect(joint!.x).toBeGreaterThan(0);
      expect(joint!.x).toBeLessThan(section.width);
    }
  });
  test('every joint lies on its member', () => {
    for (const joint of section.joints) {
      const body = section.bodies.find((b) => b.member === joint.member)!;
      const on = body.blocks.some(
        (b) =>
          joint.x >= b.x - 0.01 &&
          joint.x <= b.x + b.width + 0.01 &&
          joint.r >= b.r - 0.01 &&
          joint.r <= b.r + b.height + 0.01,
      );
      expect({ ...joint, on }).toEqual({ ...joint, on: true });
    }
  });
  test('what is held to the case reaches its wall or its support', () => {
    for (const fixed of section.fixed) {
      const { wall } = section.axes[fixed.axis]!;
      const top = Math.max(...fixed.blocks.map((b) => b.r + b.height));
      const bottom = Math.min(...fixed.blocks.map((b) => b.r));
      expect(top >= wall || bottom <= 5).toBe(true);
    }
  });
  test('each device meets the members it is made of', () => {
    for (const device of devicesOf(unit)) {
      const members = endsOf(unit, device).map((e) => e.member);
      if (device.kind === 'element') expect(members).toEqual([device.element.a, device.element.b]);
      if (device.kind === 'gearset')
        expect(members).toHaveLength(device.gearset.kind === 'planetary' ? 3 : 2);
    }
  });
});

test('a pack is drawn the wider the more plates it has', () => {
  const packs = devicesOf(shippedUnits[4]!).filter((d) => d.kind === 'element');
  const sorted = [...packs].sort(
    (a, b) =>
      (a.kind === 'element' ? a.element.pack!.order.length : 0) -
      (b.kind === 'element' ? b.element.pack!.order.length : 0),
  );
  sorted.slice(1).forEach((d, k) => expect(widthOf(d)).toBeGreaterThanOrEqual(widthOf(sorted[k]!)));
});
