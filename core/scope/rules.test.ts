import type { UnitDefinition } from '@/core/unit';
import scopeRules from '@/data/policies/scope-rules.json';
import ostrelFour from '@/data/units/ostrel-four.json';
import { fire, isFor, isInside, partsOfLine } from './rules';
import { REPAIRS } from './schema';
import type { ScopeRule, ScopeRules } from './schema';

const unit = ostrelFour as unknown as UnitDefinition;
const rule = (when: string[]): ScopeRule => ({ id: 'r', when, lines: [], reason: '' });
const fact = (point: string, level: string) => ({ point, level, slots: [`slot-${point}`] });

describe('a rule holds', () => {
  test('when every pattern finds a fact', () => {
    const facts = [fact('spread', 'metal'), fact('policy:converter', 'on-evidence')];
    expect(fire(rule(['spread=metal', 'policy:converter=on-evidence']), facts)).toHaveLength(1);
    expect(fire(rule(['spread=metal', 'policy:converter=always']), facts)).toEqual([]);
  });
  test('once for every element a mark can stand for', () => {
    const facts = [
      fact('lining:high', 'burnt'),
      fact('lining:band-2-4', 'burnt'),
      fact('lining:forward', 'sound'),
    ];
    expect(fire(rule(['lining:$e=burnt']), facts).map((f) => f.binding.$e)).toEqual(['high', 'band-2-4']);
  });
  test('with one mark standing for one thing throughout', () => {
    const facts = [
      fact('lining:high', 'burnt'),
      fact('airtest:forward', 'leaks'),
      fact('airtest:high', 'leaks'),
    ];
    const firings = fire(rule(['lining:$e=burnt', 'airtest:$e=leaks']), facts);
    expect(firings).toMatchObject([
      { binding: { $e: 'high' }, slots: ['slot-lining:high', 'slot-airtest:high'] },
    ]);
  });
  test('with a mark in the level too', () => {
    expect(fire(rule(['cause-part=$p']), [fact('cause-part', 'filter')])[0]!.binding).toEqual({
      $p: 'filter',
    });
  });
  test('a mark stands for something, and only after the words before it', () => {
    expect(fire(rule(['lining:$e=burnt']), [fact('lining:', 'burnt')])).toEqual([]);
    expect(fire(rule(['lining:$e=burnt']), [fact('drum:high', 'burnt')])).toEqual([]);
    expect(fire(rule(['lining:$e=burnt']), [fact('lining:high', 'sound')])).toEqual([]);
    expect(fire(rule(['filter=blocked']), [fact('filter-2', 'blocked')])).toEqual([]);
  });
  test('without patterns once, resting on nothing', () => {
    expect(fire(rule([]), [fact('filter', 'blocked')])).toEqual([{ rule: rule([]), binding: {}, slots: [] }]);
  });
  test('with each mark by itself', () => {
    const facts = [fact('lining:high', 'burnt'), fact('part:filter', 'worn')];
    expect(fire(rule(['lining:$e=burnt', 'part:$p=worn']), facts)[0]!.binding).toEqual({
      $e: 'high',
      $p: 'filter',
    });
  });
  test('any of several levels will do', () => {
    expect(fire(rule(['filter=blocked|restricted']), [fact('filter', 'restricted')])).toHaveLength(1);
  });
});

describe('the lines of a rule', () => {
  test.each([
    [{ group: 'lining:$e' }, { $e: 'high' }, ['high-frictions', 'high-steels']],
    [{ group: 'drum:$e' }, { $e: 'band-2-4' }, ['reverse-drum']],
    [{ group: 'with:$p' }, { $p: 'pump-gears' }, ['pump-bushing']],
    [{ group: 'solenoid:$s' }, { $s: 'S2' }, ['solenoid-s2']],
    [{ part: '$p' }, { $p: 'filter' }, ['filter']],
    [{ part: 'not-in-this-unit' }, {}, []],
    [{ role: 'filter' }, {}, ['filter']],
    [{ role: 'not-in-this-unit' }, {}, []],
    [{}, {}, []],
    [{ group: 'drum:$e' }, { $e: 'forward' }, []],
    [{ group: 'with:$p' }, { $p: 'filter' }, []],
    [{ group: 'with:$p' }, { $p: 'ghost' }, []],
    [{ group: 'solenoid:$s' }, { $s: 'S9' }, []],
    [{ group: 'lining:$e' }, { $e: 'input-owc' }, []],
    [{ group: 'steels:$e' }, { $e: 'high' }, ['high-steels']],
    [{ group: 'steels:$e' }, { $e: 'input-owc' }, []],
    [{ group: 'set:$g' }, { $g: 'front' }, ['front-sun', 'front-carrier', 'front-pinions', 'front-washers']],
    [{ group: 'kind:cooler' }, {}, ['cooler']],
    [{ group: 'kind:nothing' }, {}, []],
    [{ group: 'bushings-at:$g' }, { $g: 'front' }, ['front-sun-bushing']],
    [{ group: 'bushings-at:$g' }, { $g: 'ghost' }, []],
    [{ group: 'dynamic-linings' }, {}, ['overrun-frictions', 'high-frictions']],
    [{ group: 'bonded-pistons' }, {}, []],
    [
      { group: 'seals:$e' },
      { $e: 'reverse' },
      ['support-rings', 'reverse-piston-seals', 'reverse-outer-seal', 'reverse-inner-seal'],
    ],
  ])('%j with %j is %j', (line, binding, parts) =>
    expect(partsOfLine(unit, line, binding as Record<string, string>)).toEqual(parts),
  );
  test('always: what is renewed whenever the unit is apart', () => {
    expect(partsOfLine(unit, { group: 'always' }, {})).toEqual(
      unit.parts.filter((p) => p.kit === 'always').map((p) => p.id),
    );
  });
  test('all linings: those of every clutch and band, none of the freewheels', () => {
    const all = partsOfLine(unit, { group: 'all-linings' }, {});
    expect(all).toEqual(expect.arrayContaining(['forward-frictions', 'band', 'low-reverse-frictions']));
    expect(all).not.toContain('input-owc');
    expect(new Set(all).size).toBe(all.length);
  });
  test('a piston is bonded where no seal of its element is sold apart', () => {
    const parts = unit.parts.filter((p) => !/^forward-.*seals?$/.test(p.id));
    expect(partsOfLine({ ...unit, parts }, { group: 'bonded-pistons' }, {})).toContain('forward-piston');
    expect(partsOfLine({ ...unit, parts }, { group: 'bonded-pistons' }, {})).not.toContain('reverse-piston');
  });
  test('parts a group names and the unit lacks are dropped', () => {
    const elements = unit.elements.map((e) =>
      e.id === 'high' ? { ...e, liningParts: ['ghost', 'band'] } : e,
    );
    expect(partsOfLine({ ...unit, elements }, { group: 'lining:$e' }, { $e: 'high' })).toEqual(['band']);
  });
  test('an unknown group is an error of the rules, not silence', () => {
    expect(() => partsOfLine(unit, { group: 'everything' }, {})).toThrow(/unknown group/);
  });
});

describe('the shipped rules', () => {
  const { rules, work, repairs } = scopeRules as unknown as ScopeRules;
  test('have ids of their own and a reason', () => {
    expect(new Set(rules.map((r) => r.id)).size).toBe(rules.length);
    for (const r of rules) expect(r.reason.length).toBeGreaterThan(3);
  });
  test('name parts, groups and operations this unit has', () => {
    const roles = unit.labour.map((l) => l.role);
    for (const r of rules) {
      for (const line of r.lines) {
        if (line.operation) expect(roles).toContain(line.operation);
        if (line.part && !line.part.includes('$')) expect(unit.parts.map((p) => p.id)).toContain(line.part);
      }
    }
    for (const w of work) expect(roles).toContain(w.operation);
  });
  test('say of every repair when it is offered', () => {
    expect(repairs.map((r) => r.repair)).toEqual([...REPAIRS]);
  });
  test('are for what is inside where they name no repair', () => {
    const inside = rule([]);
    expect(REPAIRS.filter((r) => isFor(inside, r))).toEqual(['targeted', 'full', 'upgrade']);
    expect(REPAIRS.filter(isInside)).toEqual(['targeted', 'full', 'upgrade']);
    expect(REPAIRS.filter((r) => isFor({ ...inside, repairs: ['none'] }, r))).toEqual(['none']);
  });
});
