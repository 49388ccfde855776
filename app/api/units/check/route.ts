import { readJson, route } from '@/server/http';
import { reviewUnit, UNIT_LIMIT } from '@/server/units';

/** What is wrong and what is odd about a definition, without keeping it. */
export const POST = route({ may: 'edit-units' }, async (request) =>
  Response.json(await reviewUnit(await readJson(request, UNIT_LIMIT, null))),
);
