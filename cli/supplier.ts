import type { AddressInfo } from 'node:net';
import { startSupplier, FAILURE_MODES } from '@/stand-ins/supplier';
import type { FailureMode } from '@/stand-ins/supplier';
import { CommandError } from './fail';
import { noFiles, readOptions, wholeOption } from './input';

export const help = `
./pelvik supplier [--port N] [--failure ${FAILURE_MODES.join('|')}]

Stands in for the parts suppliers, on loopback, until Ctrl-C. The demo brings its own; to try how one fails, start this
and then PELVIK_SUPPLIER=ADDRESS ./pelvik demo.
`;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, [], ['--port', '--failure']);
  noFiles(options, 'supplier');
  const failure = (options.values.get('--failure')?.[0] ?? 'none') as FailureMode;
  if (!FAILURE_MODES.includes(failure))
    throw new CommandError(`--failure takes one of: ${FAILURE_MODES.join(', ')}.`, 2);
  const port = wholeOption(options, '--port', 0, 0, 65_535);
  const server = await startSupplier(port, failure);
  process.stdout.write(`http://127.0.0.1:${(server.address() as AddressInfo).port}\n`);
  return new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const)
      process.on(signal, () => {
        server.closeAllConnections();
        server.close(() => resolve(0));
      });
  });
}
