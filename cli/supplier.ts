import type { AddressInfo } from 'node:net';
import { startSupplier, TEMPERS } from '@/stand-ins/supplier';
import type { Temper } from '@/stand-ins/supplier';
import { CommandError } from './fail';
import { noFiles, readOptions } from './input';

export const help = `
./pelvik supplier [--port N] [--temper ${TEMPERS.join('|')}]

Stands in for the parts suppliers, on loopback, until Ctrl-C. The demo brings its own; to try another temper, start this
and then PELVIK_SUPPLIER=ADDRESS ./pelvik demo.
`;

export async function run(args: string[]): Promise<number> {
  const options = readOptions(args, [], ['--port', '--temper']);
  noFiles(options, 'supplier');
  const temper = (options.values.get('--temper')?.[0] ?? 'ordinary') as Temper;
  if (!TEMPERS.includes(temper)) throw new CommandError(`--temper takes one of: ${TEMPERS.join(', ')}.`, 2);
  const port = Number(options.values.get('--port')?.[0] ?? 0);
  if (!Number.isInteger(port) || port < 0 || port > 65535)
    throw new CommandError('--port takes a number from 1 to 65535.', 2);
  const server = await startSupplier(port, temper);
  process.stdout.write(`http://127.0.0.1:${(server.address() as AddressInfo).port}\n`);
  return new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM'] as const)
      process.on(signal, () => {
        server.closeAllConnections();
        server.close(() => resolve(0));
      });
  });
}
