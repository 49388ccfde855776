import { CommandError } from './fail';
import { noFiles, readOptions, wholeOption } from './input';
import { servedAt } from './leftover';
import { injectFaults } from './trials/faults';
import type { FaultFigures } from './trials/faults';
import { floodLink } from './trials/flood';
import type { FloodFigures } from './trials/flood';
import { sendHostile } from './trials/hostile';
import type { HostileFigures } from './trials/hostile';
import { withStack } from './trials/stack';

export const help = `
./pelvik trials [--faults N] [--bodies N] [--flood SECONDS] [--seed N]

Tries to break the real thing, on a database of its own: N faults (1,000 unless said otherwise) between two browsers, two
server processes and PostgreSQL, N hostile bodies (10,000) over every endpoint, and a customer's link that is asked for
all its clips, photos and papers at once for so many seconds (20) while staff work. Prints the figures as JSON; fails when
anything acknowledged was lost or doubled, a screen differs, the server answers 5xx but "busy", a request takes over 2 s,
or staff wait over 500 ms at the 95th percentile meanwhile.
`;

const MOST = 100_000;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, [], ['--faults', '--bodies', '--flood', '--seed']);
  noFiles(options, 'trials');
  const count = (name: string, otherwise: number) => wholeOption(options, name, otherwise, 0, MOST);
  const [faults, bodies, seed] = [count('--faults', 1000), count('--bodies', 10_000), count('--seed', 1)];
  const flood = count('--flood', 20);
  const running = servedAt();
  if (running) throw new CommandError(`Pelvik runs at ${running}, on the same PostgreSQL. Stop it first.`);
  const figures: { flood: FloodFigures | null; hostile: HostileFigures | null; faults: FaultFigures | null } =
    {
      flood: null,
      hostile: null,
      faults: null,
    };
  try {
    await withStack(async (stack) => {
      if (flood) figures.flood = await floodLink(stack, flood);
      if (bodies) figures.hostile = await sendHostile(stack, bodies, seed);
      if (faults) figures.faults = await injectFaults(stack, faults, seed);
    });
  } finally {
    // Also when the trial itself came to grief: what was found until then counts.
    process.stdout.write(`${JSON.stringify(figures, null, 1)}\n`);
  }
  const { hostile, faults: faulty } = figures;
  const bad =
    (figures.flood ? drowned(figures.flood) : 0) +
    (hostile ? hostile.serverErrors + hostile.tooSlow : 0) +
    (faulty
      ? faulty.lost +
        faulty.doubled +
        faulty.unequalScreens +
        faulty.stillWaiting +
        faulty.serversDied +
        faulty.slowAcks.length
      : 0);
  return bad ? 1 : 0;
}

/** What staff may wait while a link is flooded, ms at the 95th percentile. */
const STAFF_MS = 500;

const drowned = ({ serverErrors, staffFailed, staffP95Ms }: FloodFigures) =>
  serverErrors + staffFailed.length + (staffP95Ms > STAFF_MS ? 1 : 0);
