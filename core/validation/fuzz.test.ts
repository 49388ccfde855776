import fc from 'fast-check';
import type { UnitDefinition } from '@/core/unit';
import { demoJobs } from '@/data/demo';
import ostrelFour from '@/data/units/ostrel-four.json';
import { solveGear } from '@/core/powerflow';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { knowledge } from '@/data/knowledge';
import { checkCase, checkSlot, checkUnit } from './index';

/** Things a file may hold where something else belongs. */
const wrong = fc.oneof(
  fc.constantFrom<unknown>(null, true, -1, 0, 1e308, -1e308, '', 'ghost', [], {}, [[]], { a: { b: [] } }),
  fc.string({ maxLength: 12 }),
  fc.integer(),
  fc.double({ noNaN: true }),
);

type Path = (string | number)[];

function pathsOf(value: unknown, path: Path = []): Path[] {
  if (typeof value !== 'object' || value === null) return [path];
  return [
    path,
    ...Object.entries(value).flatMap(([k, v]) => pathsOf(v, [...path, Array.isArray(value) ? Number(k) : k])),
  ];
}

function replaced(document: unknown, path: Path, value: unknown): unknown {
  if (path.length === 0) return value;
  const copy = structuredClone(document);
  let at = copy as Record<string | number, unknown>;
  for (const step of path.slice(0, -1)) at = at[step] as Record<string | number, unknown>;
  at[path.at(-1)!] = value;
  return copy;
}

const unitPaths = pathsOf(ostrelFour);
const anyPlace = fc.nat(unitPaths.length - 1).map((k) => unitPaths[k]!);

describe('a unit definition with anything anywhere', () => {
  test('is refused with place and remedy, or can be solved: it never breaks the check', () => {
    fc.assert(
      fc.property(anyPlace, wrong, (path, value) => {
        const changed = replaced(ostrelFour, path, value);
        const problems = checkUnit(changed);
        for (const p of problems) {
          expect(p.pointer === '' || p.pointer.startsWith('/')).toBe(true);
          expect(p.message.length).toBeGreaterThan(0);
          expect(p.remedy.length).toBeGreaterThan(0);
        }
        if (problems.length) return;
        const unit = changed as UnitDefinition;
        for (const gear of unit.gears) expect(() => solveGear(unit, gear.key)).not.toThrow();
      }),
      { numRuns: 500 },
    );
  });
  test('with a part of it missing is refused at that place', () => {
    fc.assert(
      fc.property(fc.constantFrom(...Object.keys(ostrelFour)), (field) => {
        const { [field as keyof typeof ostrelFour]: _, ...rest } = ostrelFour;
        expect(checkUnit(rest).some((p) => p.message.includes(field))).toBe(true);
      }),
    );
  });
});

describe('a case with anything anywhere', () => {
  const findings = Object.entries(demoJobs()[0]!.findings)
    .slice(0, 40)
    .map(([slot, value]) => ({ slot, value }));
  const whole = { format: 'pelvik-case/2', unit: 'ostrel-four', findings };
  const paths = pathsOf(whole);
  test('as it is has no problem', () => expect(checkCase(whole)).toEqual([]));
  test('is refused with a place, or is one: it never breaks the check', () => {
    fc.assert(
      fc.property(fc.nat(paths.length - 1), wrong, (k, value) => {
        const problems = checkCase(replaced(whole, paths[k]!, value));
        for (const p of problems) expect(typeof p.pointer).toBe('string');
        expect(problems.length).toBeLessThanOrEqual(50);
      }),
      { numRuns: 500 },
    );
  });
});

const inspection = inspectionOf(ostrelFour as unknown as UnitDefinition, catalogueOf(knowledge.inspection));

describe('any value in any slot', () => {
  const slots = [
    'unit.fluid.level',
    'grid.D2.shop',
    'part.filter.condition',
    'vehicle.value',
    'face.high.1.a.heat',
    'cause.commit',
  ];
  test('is taken only when it is what the slot holds', () => {
    fc.assert(
      fc.property(fc.constantFrom(...slots), wrong, (slot, value) => {
        const problems = checkSlot(inspection, slot, value as never);
        if (value === null) expect(problems).toEqual([]);
        else if (
          slot === 'vehicle.value' &&
          Number.isInteger(value) &&
          (value as number) >= 0 &&
          (value as number) <= 1e8
        )
          expect(problems).toEqual([]);
        else expect(problems.length).toBeGreaterThan(0);
      }),
      { numRuns: 400 },
    );
  });
  test('a slot name of any kind is known or refused, never followed', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 40 }), (slot) => {
        expect(() => checkSlot(inspection, slot, 1)).not.toThrow();
      }),
    );
    for (const slot of ['__proto__', 'constructor', 'toString', 'grid.__proto__.x'])
      expect(checkSlot(inspection, slot, 1).length).toBeGreaterThan(0);
  });
});
