import { isStage } from '@/core/stage';
import { validator, problemsOf } from '@/core/validation';
import { board, dueOn } from '@/server/board';
import { inTransaction, withClient } from '@/server/db';
import { readJson, route } from '@/server/http';
import { sequence } from '@/server/address';
import { createJob } from '@/server/jobs';
import { UserError } from '@/server/problem';
import { shopToday } from '@/server/shop';

const schema = validator({
  type: 'object',
  additionalProperties: false,
  required: ['unit'],
  properties: { unit: { type: 'string', maxLength: 60 } },
});

/** The board: `?q=` words, `waits=`, `due=1`, `closed=1`; `stage=` with `from=` for more of one column. */
export const GET = route({ may: 'see-jobs' }, async (request) => {
  const asked = request.nextUrl.searchParams;
  const stage = asked.get('stage');
  const answer = await withClient(async (client) => {
    const today = await shopToday(client);
    const due = await dueOn(client, today);
    const columns = await board(client, {
      words: (asked.get('q') ?? '').slice(0, 200).split(/\s+/).filter(Boolean).slice(0, 12),
      waitsFor: asked.get('waits')?.slice(0, 40) || undefined,
      due: asked.get('due') === '1',
      closed: asked.get('closed') === '1',
      stage: stage && isStage(stage) ? stage : undefined,
      from: sequence(asked.get('from')),
      today,
    });
    return { due, columns };
  });
  return Response.json(answer);
});

export const POST = route({ may: 'create-job' }, async (request, _params, user) => {
  const body = await readJson(request, 4096);
  const problems = problemsOf(schema, body);
  if (problems.length) throw new UserError(400, 'A job needs a unit.', 'Choose the unit.', problems);
  const job = await inTransaction((client) => createJob(client, (body as { unit: string }).unit, user.id));
  return Response.json({ number: job.number }, { status: 201 });
});
