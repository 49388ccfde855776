import { ajv, problemsOf } from '@/core/validation';
import { inTransaction, withClient } from '@/server/db';
import { readJson, route } from '@/server/http';
import { board, createJob } from '@/server/jobs';
import { demand } from '@/server/permissions';
import { UserError } from '@/server/problem';

const schema = ajv.compile({
  type: 'object',
  additionalProperties: false,
  required: ['unit'],
  properties: { unit: { type: 'string', maxLength: 60 } },
});

export const GET = route(async (request) => {
  const words = (request.nextUrl.searchParams.get('q') ?? '').slice(0, 200).split(/\s+/).filter(Boolean);
  return Response.json({ cards: await withClient((client) => board(client, words)) });
});

export const POST = route(async (request, _params, user) => {
  demand(user, 'create-job');
  const body = await readJson(request, 4096);
  const problems = problemsOf(schema, body);
  if (problems.length) throw new UserError(400, 'A job needs a unit.', 'Choose the unit.', problems);
  const job = await inTransaction((client) => createJob(client, (body as { unit: string }).unit, user.id));
  return Response.json({ number: job.number }, { status: 201 });
});
