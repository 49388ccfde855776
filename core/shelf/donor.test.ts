import { stateFromValues } from '@/core/case';
import type { Json } from '@/core/case';
import { catalogueOf, inspectionOf } from '@/core/inspection';
import { buildScope } from '@/core/scope';
import type { UnitDefinition } from '@/core/unit';
import { knowledge, rules } from '@/data/knowledge';
import ostrelFour from '@/data/units/ostrel-four.json';
import { POLICIES } from '@/tests/fixtures/paper';
import { donorParts } from './donor';

const unit = ostrelFour as unknown as UnitDefinition;
const inspection = inspectionOf(unit, catalogueOf(knowledge.inspection));
const DRY = { 'unit.debris.water': { is: { sump: 'none' } } };
const donor = (values: Record<string, Json>) => {
  const state = stateFromValues({ 'vehicle.bare': true, 'unit-source.from': 'A breaker', ...values });
  const situation = { state, policies: POLICIES, causes: [] };
  const scope = buildScope(unit, { rules, knowledge }, situation, 'full');
  return donorParts(rules, inspection, scope, state);
};
const part = (id: string, values: Record<string, Json>) => donor(values).parts.find((p) => p.part === id);

describe('what of a core is worth keeping', () => {
  const sound = { 'part.sun-shell.condition': { is: 'sound' } };

  test('nothing before somebody has looked for water', () => {
    expect(donor(sound).water).toBe('unseen');
    expect(part('sun-shell', sound)).toMatchObject({ grade: null, words: 'Nobody has looked for water yet' });
    expect(donor({ ...sound, ...DRY }).water).toBe('none');
    expect(part('sun-shell', { ...sound, ...DRY })).toMatchObject({ grade: 'sound', seen: 1 });
  });

  test('whoever found something else in the pan has not looked for water', () => {
    const flakes = { ...sound, 'unit.debris.bright-flakes': { is: { magnets: 'light' } } };
    expect(donor(flakes).water).toBe('unseen');
    // Signs at one station are not the pan.
    expect(donor({ ...sound, 'station.pump.water': { is: 'none' } }).water).toBe('unseen');
  });

  test('nothing that nobody has looked at', () => {
    expect(part('front-carrier', DRY)).toMatchObject({
      grade: null,
      words: 'Nobody has looked at it',
      seen: 0,
    });
  });

  test('water makes everything usable at best', () => {
    const wet = { ...sound, 'unit.debris.water': { is: { sump: 'heavy' } } };
    expect(donor(wet).water).toBe('seen');
    expect(part('sun-shell', wet)).toMatchObject({ grade: 'usable', words: 'Nothing found; look for rust' });
  });

  test('nothing an overhaul would renew for what was found', () => {
    const cracked = {
      ...DRY,
      'part.sun-shell.condition': { is: 'sound' },
      'part.sun-shell.crack': { is: 'seen' },
    };
    expect(part('sun-shell', cracked)).toMatchObject({ grade: null, words: 'Found failed' });
    const leftOut = { 'scope.line.part-sun-shell': { change: 'remove', reason: 'Kept for the rack' } };
    expect(part('sun-shell', { ...cracked, ...leftOut })).toMatchObject({
      grade: null,
      words: 'Found failed',
    });
  });

  test('a mark makes it usable, a single point besides the whole too', () => {
    const crackOnly = { ...DRY, 'part.sun-shell.crack': { is: 'none' } };
    expect(part('sun-shell', crackOnly)?.grade).toBe('usable');
    expect(part('sun-shell', crackOnly)?.words).toMatch(/^Only looked at: crack/);
    const marked = { ...DRY, 'part.pump-cover.face': { is: 'marked' } };
    expect(part('pump-cover', marked)).toMatchObject({ grade: 'usable', words: 'Marked: face' });
  });

  test('what cannot be told says nothing', () => {
    const unclear = { ...DRY, 'part.sun-shell.condition': { is: 'cannot-tell' } };
    expect(part('sun-shell', unclear)).toMatchObject({ grade: null, seen: 0 });
  });

  test('only hard parts that are sold by themselves', () => {
    const ids = donor(DRY).parts.map((p) => p.part);
    expect(ids).toContain('sun-shell');
    expect(ids).not.toContain('forward-frictions');
    expect(ids).not.toContain('overhaul-kit');
    const kept = unit.parts.filter(
      (p) => rules.shelf.kinds.includes(p.kind ?? '') && p.soldAs === undefined && p.price !== undefined,
    );
    expect(ids).toEqual(kept.map((p) => p.id));
    expect(kept.length).toBeLessThan(unit.parts.length);
  });
});
