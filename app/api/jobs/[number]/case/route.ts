import { exportCase } from '@/server/cases';
import { route } from '@/server/http';
import { jobNumber } from '@/server/address';

type Params = { number: string };

/** The whole job as an open case document, to keep or to take elsewhere. */
export const GET = route<Params>({ may: 'see-jobs' }, async (_request, params, user) => {
  const number = jobNumber(params);
  const pieces = await exportCase(number, user);
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async pull(controller) {
      const { done, value } = await pieces.next();
      if (done) controller.close();
      else controller.enqueue(encoder.encode(value));
    },
  });
  return new Response(body, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="job-${number}.pelvik-case.json"`,
    },
  });
});
