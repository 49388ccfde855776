import { answer } from './commands';

/** Ends the process once everything printed has been taken: a slow pipe gets the whole of it. */
function leave(code: number): void {
  process.stdout.write('', () => process.stderr.write('', () => process.exit(code)));
}

void answer(process.argv.slice(2)).then(leave);

// Whoever reads may go away early (`| head`): that is no failure of ours.
process.stdout.on('error', (error: NodeJS.ErrnoException) => process.exit(error.code === 'EPIPE' ? 0 : 1));
