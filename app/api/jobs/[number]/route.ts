import { validator, problemsOf } from '@/core/validation';
import { closeJob } from '@/server/close';
import { inTransaction } from '@/server/db';
import { readJson, route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { UserError } from '@/server/problem';

type Params = { number: string };

const schema = validator({
  type: 'object',
  additionalProperties: false,
  required: ['closed'],
  properties: { closed: { type: 'boolean' }, reason: { type: 'string', maxLength: 500 } },
});

/** Closes a job, or opens it again. */
export const PATCH = route<Params>({ may: 'close-job' }, async (request, params, user) => {
  const body = await readJson(request, 4096);
  const problems = problemsOf(schema, body);
  if (problems.length)
    throw new UserError(400, 'This says nothing about the job.', 'Send {"closed": true} or false.', problems);
  const asked = body as { closed: boolean; reason?: string };
  await inTransaction((client) => closeJob(client, jobNumber(params), asked, user));
  return Response.json({ closed: asked.closed });
});
