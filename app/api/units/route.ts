import { inTransaction, withClient } from '@/server/db';
import { readJson, route } from '@/server/http';
import { addUnit, checkedUnit, listUnits, UNIT_LIMIT } from '@/server/units';

export const GET = route({ may: 'see-units' }, async () =>
  Response.json({ units: await withClient(listUnits) }),
);

/** Takes in a unit definition as a family of its own. */
export const POST = route({ may: 'edit-units' }, async (request, _params, user) => {
  const definition = await checkedUnit(await readJson(request, UNIT_LIMIT, null));
  const made = await inTransaction((client) => addUnit(client, definition, user));
  return Response.json(made, { status: 201 });
});
