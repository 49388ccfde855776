import { readdirSync, readFileSync } from 'node:fs';
import path from 'node:path';
import { ROLES, STAGES } from '@/core/stage';
import { route } from './http';
import { demandRight, may, mayWrite, PERMISSIONS } from './permissions';
import type { Permission } from './permissions';

/** Whatever is not here is everybody's. */
const KEPT_FROM: Partial<Record<Permission, string>> = {
  'send-quote': 'technician',
  'edit-units': 'counter',
  'edit-shelf': 'counter',
  'erase-customer': 'technician counter',
  'see-shop': 'technician counter',
  'see-costs': 'technician counter',
  'edit-shop': 'technician counter',
  'edit-people': 'technician counter',
};

test.each(PERMISSIONS)('%s is given to whom it should be', (permission) => {
  const without = ROLES.filter((role) => !may({ role }, permission));
  expect(without.join(' ')).toBe(KEPT_FROM[permission] ?? '');
});

/** A slot of each stage that has any. */
const SLOTS: Record<string, [slot: string, keptFrom: string]> = {
  intake: ['customer.name', ''],
  teardown: ['station.pan.out', 'counter'],
  cause: ['cause.commit', 'counter'],
  scope: ['scope.policy.overhaul', ''],
  quote: ['quote.discount', 'technician'],
};

test.each(Object.entries(SLOTS))(
  'what belongs to %s is written by whom it should be',
  (stage, [slot, keptFrom]) => {
    expect(STAGES).toContain(stage);
    const without = ROLES.filter((role) => !mayWrite(role, slot));
    expect(without.join(' ')).toBe(keptFrom);
  },
);

test('a route says what it asks, and who may not is told who may', () => {
  // @ts-expect-error: without a right there is no route
  route(async () => new Response());
  // @ts-expect-error: nor with one nobody knows
  route({ may: 'do-anything' }, async () => new Response());
  const user = { id: 'x', name: 'X', role: 'counter' } as const;
  expect(() => demandRight(user, { may: 'edit-units' }, {})).toThrow(
    expect.objectContaining({
      status: 403,
      message: 'A counter may not do this.',
      remedy: 'Ask: technician or owner.',
    }),
  );
  const writes = { writes: ({ id }: { id: string }) => `face.high.${id}.a.heat` };
  expect(() => demandRight(user, writes, { id: '1' })).toThrow(expect.objectContaining({ status: 403 }));
  expect(() => demandRight({ ...user, role: 'owner' }, writes, { id: '1' })).not.toThrow();
});

test('every answer of the server goes through a route that asks for a right, or says that it is open', () => {
  const folder = path.join(__dirname, '..', 'app');
  const routes = readdirSync(folder, { recursive: true, encoding: 'utf8' }).filter((f) =>
    /(^|\/)route\.tsx?$/.test(f),
  );
  expect(routes.length).toBeGreaterThan(30);
  for (const file of routes) {
    const text = readFileSync(path.join(folder, file), 'utf8');
    const verbs = text.match(/^export .*\b(GET|HEAD|POST|PUT|PATCH|DELETE)\b.*/gm) ?? [];
    expect(verbs.length).toBeGreaterThan(0);
    for (const line of verbs)
      expect(`${file}: ${line}`).toMatch(/export const [A-Z]+ = (route|open|openPage)(<.*>)?\(/);
  }
});
