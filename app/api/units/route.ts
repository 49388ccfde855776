import { inTransaction, withClient } from '@/server/db';
import { readJson, route } from '@/server/http';
import { demand } from '@/server/permissions';
import { addUnit, checkedUnit, listUnits, UNIT_LIMIT } from '@/server/units';

export const GET = route(async () => Response.json({ units: await withClient(listUnits) }));

/** Takes in a unit definition as a family of its own. */
export const POST = route(async (request, _params, user) => {
  demand(user, 'edit-units');
  const definition = await checkedUnit(await readJson(request, UNIT_LIMIT, null));
  const made = await inTransaction((client) => addUnit(client, definition, user));
  return Response.json(made, { status: 201 });
});
