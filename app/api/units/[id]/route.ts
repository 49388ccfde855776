import { validator, problemsOf } from '@/core/validation';
import { inTransaction, withClient } from '@/server/db';
import { readJson, route } from '@/server/http';
import { UserError } from '@/server/problem';
import { checkedUnit, deleteUnit, newestUnit, saveUnit, UNIT_LIMIT, unitOf } from '@/server/units';
import { unitVersion } from '@/server/address';

interface Params {
  id: string;
}

const schema = validator({
  type: 'object',
  additionalProperties: false,
  required: ['basedOn', 'definition'],
  properties: { basedOn: { type: 'integer', minimum: 1, maximum: 1e6 }, definition: { type: 'object' } },
});

/** The definition as a file: the newest version, or `?version=`. */
export const GET = route<Params>({ may: 'see-units' }, async (request, { id }) => {
  const asked = request.nextUrl.searchParams.get('version');
  const definition = await withClient(async (client) =>
    unitOf(client, asked === null ? await newestUnit(client, id) : { id, version: unitVersion(asked) }),
  );
  return new Response(`${JSON.stringify(definition, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json; charset=utf-8',
      'content-disposition': `attachment; filename="${definition.id}.json"`,
    },
  });
});

/** Saves a changed definition as the next version. */
export const PUT = route<Params>({ may: 'edit-units' }, async (request, { id }, user) => {
  const body = await readJson(request, UNIT_LIMIT, null);
  const problems = problemsOf(schema, body);
  if (problems.length)
    throw new UserError(400, 'This is not a changed unit.', 'Send basedOn and definition.', problems);
  const { basedOn, definition } = body as { basedOn: number; definition: unknown };
  const unit = await checkedUnit(definition);
  return Response.json(await inTransaction((client) => saveUnit(client, id, basedOn, unit, user)));
});

export const DELETE = route<Params>({ may: 'edit-units' }, async (_request, { id }, user) => {
  await inTransaction((client) => deleteUnit(client, id, user));
  return Response.json({ ok: true });
});
