import sharp from 'sharp';
import { inTransaction } from './db';
import { acceptPhoto, photoBytes, reencode, savePhoto } from './photos';
import { closePool, inDatabase, someJob, someone } from './test-database';

afterAll(closePool);

const picture = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: '#8a5a2b' } });

describe('an upload is decoded and written anew', () => {
  test('as a JPEG of at most 1600 px, its proportions kept', async () => {
    const photo = await reencode(await picture(3200, 1200).png().toBuffer());
    expect([photo.width, photo.height]).toEqual([1600, 600]);
    expect((await sharp(photo.bytes).metadata()).format).toBe('jpeg');
  });
  test('a small one is not blown up', async () => {
    const photo = await reencode(await picture(40, 30).webp().toBuffer());
    expect([photo.width, photo.height]).toEqual([40, 30]);
  });
  test('turned upright, without its metadata', async () => {
    const lying = await picture(60, 20)
      .withExif({ IFD0: { Copyright: 'somebody', Artist: 'somewhere' } })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const photo = await reencode(lying);
    expect([photo.width, photo.height]).toEqual([20, 60]);
    const { exif, orientation } = await sharp(photo.bytes).metadata();
    expect(exif).toBeUndefined();
    expect(orientation).toBeUndefined();
    expect(photo.bytes.includes('somebody')).toBe(false);
  });
  test.each([
    ['text', Buffer.from('this is no picture at all')],
    ['nothing', Buffer.alloc(0)],
    ['a page', Buffer.from('<html><script>alert(1)</script></html>')],
    ['a picture cut off in its header', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0, 16])],
  ])('%s is refused in words', async (_, bytes) => {
    await expect(reencode(bytes)).rejects.toMatchObject({
      status: 415,
      remedy: expect.stringContaining('JPEG'),
    });
  });
});

test('a plain JPEG from a case file is kept byte for byte, one with metadata is not', async () => {
  const plain = (await reencode(await picture(80, 60).png().toBuffer())).bytes;
  expect((await acceptPhoto(plain)).bytes.equals(plain)).toBe(true);
  const tagged = await sharp(plain)
    .withExif({ IFD0: { Artist: 'somebody' } })
    .jpeg()
    .toBuffer();
  expect((await acceptPhoto(tagged)).bytes.equals(tagged)).toBe(false);
});

test('a photo is kept once, under its job alone', async () => {
  const mira = await someone('technician');
  const [job, other] = [await someJob(mira), await someJob(mira)];
  const first = await reencode(await picture(20, 20).png().toBuffer());
  const second = await reencode(await picture(30, 30).png().toBuffer());
  await inTransaction((c) => savePhoto(c, job.id, 'photo-0001', first, mira.name));
  await inTransaction((c) => savePhoto(c, job.id, 'photo-0001', second, mira.name));
  expect((await inDatabase((c) => photoBytes(c, job.id, 'photo-0001'))).equals(first.bytes)).toBe(true);
  await expect(inDatabase((c) => photoBytes(c, other.id, 'photo-0001'))).rejects.toMatchObject({
    status: 404,
  });
});
