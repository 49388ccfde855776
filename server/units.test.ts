import { randomUUID } from 'node:crypto';
import { addGear, addElement, addPlanetary, blankUnit, replaceElement, toggleApply } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { shippedUnits } from '@/data/shipped';
import { recentAudit } from './audit';
import { inTransaction } from './db';
import { createJob, jobByNumber } from './jobs';
import { UserError } from './problem';
import { asOwner, closePool, inDatabase, someone } from '@/tests/test-database';
import {
  addUnit,
  checkedUnit,
  deleteUnit,
  installShippedUnits,
  listUnits,
  newestUnit,
  saveUnit,
  unitOf,
  unitVersions,
} from './units';

afterAll(closePool);

/** A small valid unit with an id no other test has. */
function own(): UnitDefinition {
  const id = `own-${randomUUID().slice(0, 8)}`;
  let unit = addElement(addPlanetary(blankUnit(id, `Own ${id}`)), 'brake');
  unit = replaceElement(unit, { ...unit.elements[0]!, a: 'sun-1' });
  return toggleApply(addGear(unit, 'forward'), 'D1', 'brake-1');
}

const refusal = async (work: Promise<unknown>): Promise<UserError> => {
  const error = await work.then(
    () => null,
    (e: unknown) => e,
  );
  expect(error).toBeInstanceOf(UserError);
  return error as UserError;
};

test('the shipped families stand in the library, each once', async () => {
  const units = await inDatabase(listUnits);
  for (const { id } of shippedUnits) expect(units.filter((u) => u.id === id)).toHaveLength(1);
  await inTransaction((client) => installShippedUnits(client));
  expect(await inDatabase((client) => unitVersions(client, 'ostrel-six'))).toHaveLength(1);
});

test('a definition comes back as it went in, in the same order', async () => {
  const user = await someone('technician');
  const unit = own();
  const key = await inTransaction((client) => addUnit(client, unit, user));
  const back = await inDatabase(async (client) => {
    const { rows } = await client.query('SELECT definition FROM units WHERE id = $1', [unit.id]);
    return rows[0].definition;
  });
  expect(JSON.stringify(back)).toBe(JSON.stringify(unit));
  expect(await inDatabase((client) => unitOf(client, key))).toEqual(unit);
});

test('a job keeps the version it began with; the next one takes the newest', async () => {
  const user = await someone('owner');
  const unit = own();
  await inTransaction((client) => addUnit(client, unit, user));
  const first = await inTransaction((client) => createJob(client, unit.id, user.id));
  const changed = { ...unit, name: 'Changed since' };
  const saved = await inTransaction((client) => saveUnit(client, unit.id, 1, changed, user));
  expect(saved).toEqual({ id: unit.id, version: 2 });
  const second = await inTransaction((client) => createJob(client, unit.id, user.id));
  expect((await inDatabase((client) => jobByNumber(client, first.number))).unit.name).toBe(unit.name);
  expect((await inDatabase((client) => jobByNumber(client, second.number))).unit.name).toBe('Changed since');
  expect(await inDatabase((client) => newestUnit(client, unit.id))).toEqual({ id: unit.id, version: 2 });
});

test('of two people who edit one version the second is told, and nothing is overwritten', async () => {
  const user = await someone('technician');
  const unit = own();
  await inTransaction((client) => addUnit(client, unit, user));
  await inTransaction((client) => saveUnit(client, unit.id, 1, { ...unit, name: 'First' }, user));
  const { status, message } = await refusal(
    inTransaction((client) => saveUnit(client, unit.id, 1, { ...unit, name: 'Second' }, user)),
  );
  expect(status).toBe(409);
  expect(message).toContain('version 2');
  expect((await inDatabase((client) => unitVersions(client, unit.id)))[0]!.name).toBe('First');
});

test('two people who save at the same moment: one of them', async () => {
  const user = await someone('technician');
  const unit = own();
  await inTransaction((client) => addUnit(client, unit, user));
  const both = await Promise.allSettled(
    ['A', 'B'].map((name) =>
      inTransaction((client) => saveUnit(client, unit.id, 1, { ...unit, name }, user)),
    ),
  );
  expect(both.filter((b) => b.status === 'fulfilled')).toHaveLength(1);
});

test('an id that is taken, another id than the page’s, and what is no unit are refused', async () => {
  const user = await someone('technician');
  const unit = own();
  const made = await inTransaction((client) => addUnit(client, unit, user));
  expect(made).toMatchObject({ id: unit.id });
  const log = await inDatabase((client) => recentAudit(client));
  const added = log.find((a) => a.what === 'unit added' && a.about.id === unit.id);
  expect(added).toMatchObject({ who: user.name, about: made });
  expect((await refusal(inTransaction((client) => addUnit(client, unit, user)))).status).toBe(409);
  const other = await refusal(
    inTransaction((client) => saveUnit(client, unit.id, 1, { ...unit, id: 'other' }, user)),
  );
  expect(other.status).toBe(400);
  const none = await refusal(checkedUnit({ format: 'pelvik-unit/1' }));
  expect(none.problems.length).toBeGreaterThan(3);
});

test('a unit goes only while no job uses it, and never one that ships', async () => {
  const user = await someone('owner');
  const [used, free] = [own(), own()];
  for (const unit of [used, free]) await inTransaction((client) => addUnit(client, unit, user));
  await inTransaction((client) => createJob(client, used.id, user.id));
  expect((await refusal(inTransaction((client) => deleteUnit(client, used.id, user)))).message).toContain(
    'A job uses',
  );
  await inTransaction((client) => deleteUnit(client, free.id, user));
  expect((await refusal(inDatabase((client) => newestUnit(client, free.id)))).status).toBe(400);
  expect((await refusal(inTransaction((client) => deleteUnit(client, 'hadric-five', user)))).message).toMatch(
    /ships|use/,
  );
});

test('the database itself refuses to change a version or to pull one from under a job', async () => {
  const user = await someone('owner');
  const unit = own();
  await inTransaction((client) => addUnit(client, unit, user));
  await inTransaction((client) => createJob(client, unit.id, user.id));
  const tamper = (sql: string) => inDatabase((client) => client.query(sql, [unit.id]));
  await expect(tamper(`UPDATE units SET name = 'x' WHERE id = $1`)).rejects.toThrow(/permission denied/);
  await expect(tamper('DELETE FROM units WHERE id = $1')).rejects.toMatchObject({ status: 409 });
});

test('a family that was deleted and comes again goes on counting: no process takes the new for the old', async () => {
  const user = await someone('owner');
  const unit = own();
  const first = await inTransaction((client) => addUnit(client, unit, user));
  await inDatabase((client) => unitOf(client, first));
  await inTransaction((client) => deleteUnit(client, unit.id, user));
  const again = await inTransaction((client) => addUnit(client, { ...unit, name: 'Other' }, user));
  expect(again.version).toBe(first.version + 1);
  expect((await inDatabase((client) => unitOf(client, again))).name).toBe('Other');
});

test('what ships anew becomes a version of its own, unless the shop has made one', async () => {
  await asOwner(async (client) => {
    await client.query('BEGIN');
    const user = { id: 'x', name: 'x', role: 'owner' as const };
    const shipped = shippedUnits[2]!;
    await client.query(`ALTER TABLE units DISABLE TRIGGER units_frozen`);
    await client.query(`UPDATE units SET definition = '{"older": true}' WHERE id = $1`, [shipped.id]);
    await installShippedUnits(client);
    expect((await unitVersions(client, shipped.id))[0]!.version).toBe(2);
    await saveUnit(client, shipped.id, 2, { ...shipped, name: 'Ours' }, user);
    await installShippedUnits(client);
    expect((await unitVersions(client, shipped.id))[0]).toMatchObject({ version: 3, name: 'Ours' });
    // Nothing of this stays: other tests use the shipped units.
    throw new Error('rolled back');
  }).catch((error: Error) => expect(error.message).toBe('rolled back'));
});
