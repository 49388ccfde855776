import { CommandError } from './fail';
import { noFiles, readOptions, wholeOption } from './input';
import { servedAt } from './leftover';
import { shareDevice } from './trials/device';
import type { DeviceFigures } from './trials/device';
import { fillDisk } from './trials/disk';
import type { DiskFigures } from './trials/disk';
import { injectFaults } from './trials/faults';
import type { FaultFigures } from './trials/faults';
import { floodLink } from './trials/flood';
import type { FloodFigures } from './trials/flood';
import { sendHostile } from './trials/hostile';
import type { HostileFigures } from './trials/hostile';
import { reachLimits } from './trials/limits';
import type { LimitFigures } from './trials/limits';
import { withStack } from './trials/stack';

export const help = `
./pelvik trials [--faults N] [--bodies N] [--flood SECONDS] [--turns N] [--limits 0|1] [--disk 0|1] [--seed N]

Tries to break the real thing, on a database of its own: N faults (1,000 unless said otherwise) between two browsers, two
server processes and PostgreSQL, killed ones among them; N hostile bodies (10,000) over every endpoint; a customer's link
that is asked for all its clips, photos and papers at once for so many seconds (20) while staff work; N turns (40) of three
people on one tablet; units and jobs as large as they are let in; and a full disk (as root). Prints the figures as JSON;
fails when anything acknowledged was lost, doubled or stands under a wrong name, a screen differs, the server answers 5xx
but "busy", a request takes over 2 s, or staff wait over 500 ms at the 95th percentile meanwhile.
`;

const MOST = 100_000;

interface Figures {
  flood: FloodFigures | null;
  limits: LimitFigures | null;
  device: DeviceFigures | null;
  hostile: HostileFigures | null;
  faults: FaultFigures | null;
  disk: DiskFigures | null;
}

export async function run(args: string[]): Promise<number> {
  const names = ['--faults', '--bodies', '--flood', '--turns', '--limits', '--disk', '--seed'];
  const options = readOptions(args, [], names);
  noFiles(options, 'trials');
  const count = (name: string, otherwise: number) => wholeOption(options, name, otherwise, 0, MOST);
  const [faults, bodies, seed] = [count('--faults', 1000), count('--bodies', 10_000), count('--seed', 1)];
  const [flood, turns, limits] = [count('--flood', 20), count('--turns', 40), count('--limits', 1)];
  const disk = count('--disk', 1);
  const running = servedAt();
  if (running) throw new CommandError(`Pelvik runs at ${running}, on the same PostgreSQL. Stop it first.`);
  const figures: Figures = {
    flood: null,
    limits: null,
    device: null,
    hostile: null,
    faults: null,
    disk: null,
  };
  try {
    if (flood || limits || turns || bodies || faults)
      await withStack(async (stack) => {
        if (flood) figures.flood = await floodLink(stack, flood);
        if (limits) figures.limits = await reachLimits(stack);
        if (turns) figures.device = await shareDevice(stack, turns, seed);
        if (bodies) figures.hostile = await sendHostile(stack, bodies, seed);
        if (faults) figures.faults = await injectFaults(stack, faults, seed);
      });
    if (disk) figures.disk = await fillDisk();
  } finally {
    // Also when the trial itself came to grief: what was found until then counts.
    process.stdout.write(`${JSON.stringify(figures, null, 1)}\n`);
  }
  return badIn(figures) ? 1 : 0;
}

/** What staff may wait while a link is flooded, ms at the 95th percentile. */
const STAFF_MS = 500;

/** How much of what must not happen did. */
function badIn({ flood, limits, device, hostile, faults, disk }: Figures): number {
  const counts: (number | boolean | undefined)[] = [
    flood?.serverErrors,
    flood?.staffFailed.length,
    flood && flood.staffP95Ms > STAFF_MS,
    limits?.tooSlow.length,
    limits?.serverErrors.length,
    limits?.notImported.length,
    device?.lost.length,
    device?.wrongName.length,
    device?.seenByOthers.length,
    device?.stillWaiting.length,
    hostile?.serverErrors,
    hostile?.tooSlow,
    faults?.lost,
    faults?.doubled,
    faults?.unequalScreens,
    faults?.stillWaiting,
    faults?.serversDied,
    faults?.slowAcks.length,
    disk?.serverErrors,
    disk?.pagesFailed,
    disk ? disk.acknowledged - disk.there : 0,
  ].map((n) => n ?? 0);
  return counts.reduce<number>((sum, n) => sum + Number(n), 0);
}
