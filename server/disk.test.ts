import * as fs from 'node:fs/promises';
import { demandDiskFor } from './disk';

jest.mock('node:fs/promises', () => ({ statfs: jest.fn() }));
const statfs = fs.statfs as unknown as jest.Mock;
const MB = 2 ** 20;
/** Answers are good for a while: each look is later than that. */
let now = 1e12;
const look = (bytes: number, free: number | Error) => {
  now += 60_000;
  jest.spyOn(Date, 'now').mockReturnValue(now);
  if (free instanceof Error) statfs.mockRejectedValue(free);
  else statfs.mockResolvedValue({ bavail: free / 4096, bsize: 4096 });
  return demandDiskFor(bytes);
};
afterEach(() => {
  delete process.env.PELVIK_DISK;
  jest.restoreAllMocks();
});

test('photos are refused while only the reserve is left, and told why', async () => {
  process.env.PELVIK_DISK = '/somewhere';
  await expect(look(0, 512 * MB)).resolves.toBeUndefined();
  await expect(look(0, 511 * MB)).rejects.toMatchObject({
    status: 503,
    message: expect.stringMatching(/disk .* nearly full/),
  });
  await expect(look(20 * MB, 530 * MB)).rejects.toMatchObject({ status: 503 });
  await expect(look(10 * MB, 530 * MB)).resolves.toBeUndefined();
});

test('where the disk is another machine’s, or does not say, nothing is refused', async () => {
  await expect(look(1e12, 0)).resolves.toBeUndefined();
  process.env.PELVIK_DISK = '/somewhere';
  await expect(look(1e12, new Error('no such place'))).resolves.toBeUndefined();
});
