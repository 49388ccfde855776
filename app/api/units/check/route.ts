import type { UnitDefinition } from '@/core/unit';
import { checkUnit, unitWarnings } from '@/core/validation';
import { readJson, route } from '@/server/http';
import { UNIT_LIMIT } from '@/server/units';

/** What is wrong and what is odd about a definition, without keeping it. */
export const POST = route(async (request) => {
  const definition = await readJson(request, UNIT_LIMIT);
  const problems = checkUnit(definition);
  return Response.json({
    problems,
    warnings: problems.length ? [] : unitWarnings(definition as UnitDefinition),
  });
});
