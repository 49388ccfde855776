import { ORDER_COLUMNS, orderLines, orderRows } from '@/core/quote';
import { writeCsv } from '@/server/csv';
import { withClient } from '@/server/db';
import { route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { jobByNumber } from '@/server/jobs';
import { UserError } from '@/server/problem';
import { agreedOf } from '@/server/quotes';

/** The order list of the agreed version as CSV; `?supplier=` for one of them. */
export const GET = route<{ number: string }>({ may: 'see-jobs' }, async (request, params) => {
  const { lines, number, currency } = await withClient(async (client) => {
    const job = await jobByNumber(client, jobNumber(params));
    const agreed = await agreedOf(client, job.id);
    if (!agreed)
      throw new UserError(
        409,
        'Nothing is agreed yet.',
        'There is an order list once a version was accepted.',
      );
    const { currency } = agreed.quote.content;
    return { lines: orderLines(agreed.option, job.state), number: job.number, currency };
  });
  const supplier = request.nextUrl.searchParams.get('supplier');
  const wanted = supplier === null ? lines : lines.filter((l) => l.supplier === supplier);
  return new Response(writeCsv(orderRows(wanted, currency), ORDER_COLUMNS), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="orders-${number}.csv"`,
    },
  });
});
