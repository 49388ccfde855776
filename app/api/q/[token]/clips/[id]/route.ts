import { clipAnswer } from '@/server/clip-answer';
import { clipOf, clipPiece } from '@/server/clips';
import { asCustomer, visit } from '@/server/customer-door';
import { open } from '@/server/http';
import { notFound } from '@/server/problem';
import { quoteByToken } from '@/server/quote-links';

type Params = { token: string; id: string };

/** A clip of the quote, for the holder of its link and of no other. */
export const GET = open<Params>(async (request, { token, id }) => {
  const range = request.headers.get('range');
  const { pace, end } = await visit(request, token);
  try {
    const { job, clip } = await asCustomer(async (client) => {
      const quote = await quoteByToken(client, token);
      if (!quote.content.clips?.some((c) => c.id === id)) throw notFound('clip');
      return { job: quote.jobId, clip: await clipOf(client, quote.jobId, id) };
    });
    const piece = async (from: number, length: number) => {
      await pace(length);
      return asCustomer((client) => clipPiece(client, job, id, from, length));
    };
    return await clipAnswer({ ...clip, piece }, range, end);
  } catch (error) {
    end();
    throw error;
  }
});
