import parseRange from 'range-parser';
import type { ClipKind } from './clips';

/** The most that is read at once: what a player asks for beyond it, it asks for again. */
export const PIECE = 512 * 1024;
/** Whoever takes nothing for so long has left. */
const IDLE = 30_000;

/** A clip as it is kept. */
export interface StoredClip {
  mime: ClipKind;
  size: number;
  /** Its bytes from `from` on. */
  piece(from: number, length: number): Promise<Buffer>;
}

/**
 * A clip as an answer: the piece that is asked for, since some players take nothing else, or the whole, read piece by
 * piece as it is taken. `ended` is called when nothing more will be read. Ranges: RFC 9110, section 14.
 */
export async function clipAnswer(
  { mime, size, piece }: StoredClip,
  range: string | null,
  ended: () => void = () => undefined,
): Promise<Response> {
  const headers = {
    'content-type': mime,
    'accept-ranges': 'bytes',
    'x-content-type-options': 'nosniff',
    'content-security-policy': "default-src 'none'; sandbox",
  };
  const asked = range === null ? -2 : parseRange(size, range);
  if (asked === -1) {
    ended();
    return new Response(null, { status: 416, headers: { ...headers, 'content-range': `bytes */${size}` } });
  }
  if (asked === -2 || asked.type !== 'bytes' || asked.length !== 1)
    return new Response(inPieces(size, piece, ended), {
      headers: { ...headers, 'content-length': String(size) },
    });
  const { start, end } = asked[0]!;
  const bytes = await piece(start, Math.min(PIECE, end - start + 1)).finally(ended);
  return new Response(new Uint8Array(bytes), {
    status: 206,
    headers: { ...headers, 'content-range': `bytes ${start}-${start + bytes.length - 1}/${size}` },
  });
}

function inPieces(size: number, piece: StoredClip['piece'], ended: () => void): ReadableStream<Uint8Array> {
  let from = 0;
  let idle: ReturnType<typeof setTimeout> | undefined;
  const finish = () => {
    clearTimeout(idle);
    ended();
  };
  return new ReadableStream<Uint8Array>(
    {
      async pull(controller) {
        clearTimeout(idle);
        try {
          const bytes = await piece(from, PIECE);
          from += bytes.length;
          controller.enqueue(new Uint8Array(bytes));
          if (from >= size || bytes.length === 0) {
            finish();
            controller.close();
            return;
          }
        } catch (error) {
          finish();
          throw error;
        }
        idle = setTimeout(() => {
          finish();
          controller.error(new Error('Nobody takes this clip any more.'));
        }, IDLE);
        idle.unref();
      },
      cancel: finish,
    },
    { highWaterMark: 0 },
  );
}
