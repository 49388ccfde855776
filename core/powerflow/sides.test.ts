import { four } from '@/tests/fixtures/four';
import { sameAttachment } from './compile';
import { attachmentsOf, sidesOf } from './sides';

test('every element, gear and shaft end on a member, the way in first and the way out last', () => {
  expect(attachmentsOf(four, 'in')).toEqual([
    { terminal: 'input' },
    { element: 'forward' },
    { element: 'overrun' },
    { element: 'high' },
    { element: 'reverse' },
  ]);
  expect(attachmentsOf(four, 'X')).toEqual([
    { element: 'high' },
    { element: 'low-reverse' },
    { element: 'low-owc' },
    { gearset: 'front', gear: 'ring' },
    { gearset: 'rear', gear: 'carrier' },
  ]);
  expect(attachmentsOf(four, 'out')).toEqual([
    { gearset: 'front', gear: 'carrier' },
    { gearset: 'rear', gear: 'ring' },
    { terminal: 'output' },
  ]);
  expect(attachmentsOf(four, 'ghost')).toEqual([]);
});

test('a broken part leaves on the near side what its far side does not name', () => {
  expect(sidesOf(four, 'forward-hub')).toEqual({
    member: 'Fc',
    near: [{ element: 'forward' }],
    away: [{ element: 'input-owc' }],
  });
  expect(sidesOf(four, 'input-shaft').near).not.toContainEqual({ terminal: 'input' });
  expect(sidesOf(four, 'input-shaft').near).toHaveLength(4);
});

test('a part that divides nothing is refused', () =>
  expect(() => sidesOf(four, 'filter')).toThrow(/is not part of a power path: it cannot divide a member/));

test('attachments are the same when kind and name are, and of a gearset the gear', () => {
  const all = [
    { element: 'a' },
    { element: 'b' },
    { terminal: 'input' as const },
    { terminal: 'output' as const },
    { gearset: 'a', gear: 'sun' as const },
    { gearset: 'a', gear: 'ring' as const },
    { gearset: 'b', gear: 'sun' as const },
  ];
  all.forEach((a, i) =>
    all.forEach((b, k) => expect([i, k, sameAttachment(a, { ...b })]).toEqual([i, k, i === k])),
  );
});
