import { catalogueOf, findingTable, inspectionOf, SHEET_COLUMNS } from '@/core/inspection';
import { inspection } from '@/data/inspection';
import { writeCsv } from '@/server/csv';
import { withClient } from '@/server/db';
import { route } from '@/server/http';
import { jobNumber } from '@/server/address';
import { jobByNumber } from '@/server/jobs';

type Params = { number: string };

/** The findings of a job as CSV (UTF-8 with its mark, one line each): for a spreadsheet. */
export const GET = route<Params>({ may: 'see-jobs' }, async (_request, params) => {
  const { number, unit, state } = await withClient((client) => jobByNumber(client, jobNumber(params)));
  const table = findingTable(inspectionOf(unit, catalogueOf(inspection)), state);
  const text = writeCsv(
    table,
    SHEET_COLUMNS.map(({ key }) => key),
    { bom: true },
  );
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="job-${number}-findings.csv"`,
    },
  });
});
