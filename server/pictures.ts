import sharp from 'sharp';
import type { Photo } from './background-tasks';

const LONGEST_SIDE = 1600;
const READING = { limitInputPixels: 60_000_000, failOn: 'error' } as const;
/** Colour and grey, as a screen shows them. */
const PLAIN_SPACES = new Set<string | undefined>(['srgb', 'b-w']);

// Only the kinds offered are ever handed to a decoder.
sharp.block({ operation: ['VipsForeignLoad'] });
sharp.unblock({ operation: ['VipsForeignLoadJpeg', 'VipsForeignLoadPng', 'VipsForeignLoadWebp'] });
sharp.cache(false);
sharp.concurrency(1);

/** The first bytes of the kinds of picture that are taken. */
const KINDS: readonly (readonly [number, string])[][] = [
  [[0, '\xff\xd8\xff']],
  [[0, '\x89PNG\r\n\x1a\n']],
  [
    [0, 'RIFF'],
    [8, 'WEBP'],
  ],
];

/** True for JPEG, PNG and WebP by what is in the file, whatever its name says. */
function isPicture(bytes: Uint8Array): boolean {
  const at = (offset: number, mark: string) =>
    [...mark].every((c, k) => bytes[offset + k] === c.charCodeAt(0));
  return KINDS.some((marks) => marks.every(([offset, mark]) => at(offset, mark)));
}

/**
 * Decodes a picture and writes it anew as JPEG: turned upright, at most 1600 px, without metadata. Null for what cannot
 * be decoded as a picture of the kinds offered.
 */
export async function reencode(upload: Uint8Array): Promise<Photo | null> {
  if (!isPicture(upload)) return null;
  try {
    const { data, info } = await sharp(upload, READING)
      .rotate()
      .resize({ width: LONGEST_SIDE, height: LONGEST_SIDE, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
    return { bytes: data, width: info.width, height: info.height };
  } catch {
    return null;
  }
}

/** A photo from a case file: one as Pelvik writes it is kept byte for byte, anything else is written anew. */
export async function acceptPhoto(upload: Uint8Array): Promise<Photo | null> {
  return (await asWritten(upload)) ?? (await reencode(upload));
}

/** The photo as it is, if it is one Pelvik could have written: decoded to be sure, which costs far less than encoding. */
async function asWritten(upload: Uint8Array): Promise<Photo | null> {
  if (!isPlainJpeg(upload)) return null;
  try {
    const { width, height, icc, exif, space } = await sharp(upload, READING).metadata();
    const ours = Math.max(width, height) <= LONGEST_SIDE && !icc && !exif && PLAIN_SPACES.has(space);
    if (!ours) return null;
    await sharp(upload, READING).raw().toBuffer();
    return { bytes: Buffer.from(upload), width, height };
  } catch {
    return null;
  }
}

const [SOI, EOI, SOS] = [0xd8, 0xd9, 0xda];
/** Tables, frames, restart intervals: what a picture needs and nothing that could carry words. */
const NEEDED = new Set([0xc0, 0xc1, 0xc2, 0xc4, 0xdb, 0xdd]);
const JFIF = 0xe0;
const JFIF_LENGTH = 16;

/**
 * True for a JPEG that holds nothing but its picture: no comment, no application data but a bare JFIF header, nothing
 * after its end. Layout of markers: ITU-T T.81, annex B.
 */
export function isPlainJpeg(bytes: Uint8Array): boolean {
  if (bytes[0] !== 0xff || bytes[1] !== SOI) return false;
  let at = 2;
  while (at + 3 < bytes.length) {
    if (bytes[at] !== 0xff) return false;
    const marker = bytes[at + 1]!;
    const length = (bytes[at + 2]! << 8) | bytes[at + 3]!;
    if (marker === SOS) {
      at = endOfScan(bytes, at + 2 + length);
      if (bytes[at + 1] === EOI) return at + 2 === bytes.length;
      continue;
    }
    const bare = marker === JFIF && length === JFIF_LENGTH;
    if (!NEEDED.has(marker) && !bare) return false;
    at += 2 + length;
  }
  return false;
}

/** Where the next marker after a scan's data stands; stuffed bytes and restart marks belong to the data. */
function endOfScan(bytes: Uint8Array, from: number): number {
  let at = from;
  while (at + 1 < bytes.length) {
    const next = bytes[at + 1]!;
    if (bytes[at] === 0xff && next !== 0 && !(next >= 0xd0 && next <= 0xd7)) return at;
    at++;
  }
  return bytes.length;
}
