import sharp from 'sharp';
import { inTransaction } from './db';
import { photoBytes, PHOTOS_LIMIT, savePhoto, takePhoto } from './photos';
import { acceptPhoto, isPlainJpeg, reencode } from './pictures';
import { asOwner, closePool, inDatabase, someJob, someone } from '@/tests/test-database';

afterAll(closePool);

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#8a5a2b' } });

describe('an upload is decoded and written anew', () => {
  test('as a JPEG of at most 1600 px, its proportions kept', async () => {
    const photo = (await reencode(await picture(3200, 1200).png().toBuffer()))!;
    expect([photo.width, photo.height]).toEqual([1600, 600]);
    expect((await sharp(photo.bytes).metadata()).format).toBe('jpeg');
  });
  test('a small one is not blown up', async () => {
    const photo = (await reencode(await picture(40, 30).webp().toBuffer()))!;
    expect([photo.width, photo.height]).toEqual([40, 30]);
  });
  test('turned upright, without its metadata', async () => {
    const lying = await picture(60, 20)
      .withExif({ IFD0: { Copyright: 'somebody', Artist: 'somewhere' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const photo = (await reencode(lying))!;
    expect([photo.width, photo.height]).toEqual([20, 60]);
    const { exif, orientation } = await sharp(photo.bytes).metadata();
    expect(exif).toBeUndefined();
    expect(orientation).toBeUndefined();
    expect(photo.bytes.includes('somebody')).toBe(false);
  });
  const svg = Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><rect/></svg>');
  test.each([
    ['text', Buffer.from('this is no picture at all')],
    ['nothing', Buffer.alloc(0)],
    ['a page', Buffer.from('<html><script>alert(1)</script></html>')],
    ['a drawing', svg],
    ['a drawing behind a picture’s first bytes', Buffer.concat([Buffer.from([0xff, 0xd8, 0xff]), svg])],
    ['an animation of another kind', Buffer.from('GIF89a\x01\x00\x01\x00')],
    ['a picture cut off in its header', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16])],
  ])('%s is not taken', async (_, bytes) => {
    expect(await reencode(bytes)).toBeNull();
  });
  test('away from the server’s own thread, and refused there in words', async () => {
    const photo = await takePhoto(await picture(50, 40).png().toBuffer());
    expect([photo.width, photo.height]).toEqual([50, 40]);
    await expect(takePhoto(svg)).rejects.toMatchObject({
      status: 415,
      remedy: expect.stringContaining('JPEG'),
    });
  });
});

describe('a JPEG from a case file', () => {
  const plain = async () => (await reencode(await picture(80, 60).png().toBuffer()))!.bytes;
  /** With a segment of its own put in behind the first marker. */
  const with_ = (bytes: Buffer, marker: number, words: string) => {
    const body = Buffer.from(words);
    const head = Buffer.from([0xff, marker, 0, body.length + 2]);
    return Buffer.concat([bytes.subarray(0, 2), head, body, bytes.subarray(2)]);
  };

  test.each([
    ['of three colours', 120],
    ['as large as Pelvik writes them', 1600],
  ])('%s that holds only its picture is kept byte for byte', async (_, width) => {
    const noise = { type: 'gaussian' as const, mean: 128, sigma: 40 };
    const bytes = await sharp({ create: { width, height: 40, channels: 3, background: 'black', noise } })
      .jpeg({ quality: 55 })
      .toBuffer();
    expect(isPlainJpeg(bytes)).toBe(true);
    // Written anew it would be another.
    expect((await reencode(bytes))!.bytes.equals(bytes)).toBe(false);
    const kept = (await acceptPhoto(bytes))!;
    expect(kept).toMatchObject({ width, height: 40 });
    expect(kept.bytes.equals(bytes)).toBe(true);
  });
  test('of four colours, as for print, is written anew in three', async () => {
    const print = await picture(80, 60).toColourspace('cmyk').jpeg().toBuffer();
    const kept = (await acceptPhoto(print))!;
    expect((await sharp(kept.bytes).metadata()).space).toBe('srgb');
  });
  test.each<[string, (bytes: Buffer) => Buffer]>([
    ['a comment', (b) => with_(b, 0xfe, 'secret words')],
    ['application data', (b) => with_(b, 0xe1, 'secret words')],
    ['a long header', (b) => with_(b, 0xe0, 'JFIF secret words')],
    ['bytes behind its end', (b) => Buffer.concat([b, Buffer.from('secret words')])],
  ])('loses %s', async (_, hide) => {
    const hidden = hide(await plain());
    expect(hidden.includes('secret words')).toBe(true);
    expect(isPlainJpeg(hidden)).toBe(false);
    const kept = (await acceptPhoto(hidden))!;
    expect(kept.bytes.includes('secret words')).toBe(false);
    expect(isPlainJpeg(kept.bytes)).toBe(true);
  });
  test('larger than Pelvik writes them is made smaller, plain or not', async () => {
    const large = await picture(3000, 1500).jpeg().toBuffer();
    expect(isPlainJpeg(large)).toBe(true);
    expect(await acceptPhoto(large)).toMatchObject({ width: 1600, height: 800 });
  });
  test('that only looks like a picture from outside is none', async () => {
    const bytes = Buffer.from(await plain());
    // The marks stay where they were, the tables between them are nonsense.
    const table = bytes.indexOf(Buffer.from([0xff, 0xc4])) + 5;
    bytes.fill(0x11, table, table + 12);
    expect(isPlainJpeg(bytes)).toBe(true);
    expect(await acceptPhoto(bytes)).toBeNull();
  });
  test('cut off anywhere is not taken for a plain one', async () => {
    const bytes = await plain();
    for (let end = 0; end < bytes.length; end += 7) expect(isPlainJpeg(bytes.subarray(0, end))).toBe(false);
  });
});

test('a photo is kept once, under its job alone', async () => {
  const mira = await someone('technician');
  const [job, other] = [await someJob(mira), await someJob(mira)];
  const first = (await reencode(await picture(20, 20).png().toBuffer()))!;
  const second = (await reencode(await picture(30, 30).png().toBuffer()))!;
  await inTransaction((c) => savePhoto(c, job.id, 'photo-0001', first, mira));
  await inTransaction((c) => savePhoto(c, job.id, 'photo-0001', second, mira));
  expect((await inDatabase((c) => photoBytes(c, job.id, 'photo-0001'))).equals(first.bytes)).toBe(true);
  await expect(inDatabase((c) => photoBytes(c, other.id, 'photo-0001'))).rejects.toMatchObject({
    status: 404,
  });
});

test('a job holds as many photos as one case file can carry, and says so', async () => {
  const mira = await someone('technician');
  const job = await someJob(mira);
  await asOwner((c) =>
    c.query(
      `INSERT INTO photos (job_id, id, width, height, bytes, created_by, created_by_user)
       VALUES ($1, 'photo-full', 1, 1, convert_to(repeat('x', $2), 'UTF8'), 'x', $3)`,
      [job.id, PHOTOS_LIMIT - 10, mira.id],
    ),
  );
  const photo = (await reencode(await picture(20, 20).png().toBuffer()))!;
  await expect(inTransaction((c) => savePhoto(c, job.id, 'photo-0002', photo, mira))).rejects.toMatchObject({
    status: 413,
  });
});
