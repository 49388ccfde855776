import { withClient } from '@/server/db';
import { exportCase } from '@/server/cases';
import { jobNumber, route } from '@/server/http';

type Params = { number: string };

/** The whole job as an open case document, to keep or to take elsewhere. */
export const GET = route<Params>(async (_request, params, user) => {
  const number = jobNumber(params);
  const document = await withClient((client) => exportCase(client, number, user));
  return new Response(JSON.stringify(document), {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="job-${number}.pelvik-case.json"`,
    },
  });
});
