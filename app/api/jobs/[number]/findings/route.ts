import { stringify } from 'csv-stringify/sync';
import { catalogueOf, findingTable, inspectionOf, SHEET_COLUMNS } from '@/core/inspection';
import { inspection } from '@/data/inspection';
import { withClient } from '@/server/db';
import { jobNumber, route } from '@/server/http';
import { jobByNumber } from '@/server/jobs';

type Params = { number: string };

/** The findings of a job as CSV (UTF-8 with its mark, one line each): for a spreadsheet. */
export const GET = route<Params>(async (_request, params) => {
  const { number, unit, state } = await withClient((client) => jobByNumber(client, jobNumber(params)));
  const text = stringify(findingTable(inspectionOf(unit, catalogueOf(inspection)), state), {
    header: true,
    columns: SHEET_COLUMNS.map(({ key }) => ({ key })),
    bom: true,
    cast: { boolean: (yes) => (yes ? 'yes' : 'no') },
    // What somebody typed is text, also where a spreadsheet would take it for a formula.
    escape_formulas: true,
  });
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="job-${number}-findings.csv"`,
    },
  });
});
