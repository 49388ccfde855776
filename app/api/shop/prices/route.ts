import { withClient } from '@/server/db';
import { readText, route } from '@/server/http';
import { takePrices, writePrices } from '@/server/price-book';

/** Some ten thousand parts. */
const LIMIT = 1024 * 1024;

/** The price book as a table: every part of every unit that is sold. */
export const GET = route({ may: 'edit-shop' }, async () => {
  const text = await withClient(writePrices);
  return new Response(text, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="price-book.csv"',
    },
  });
});

/** Takes a table of prices into the book: all of it or nothing. */
export const PUT = route({ may: 'edit-shop' }, async (request, _params, user) => {
  const text = await readText(request, LIMIT);
  return Response.json(await takePrices(text, user));
});
