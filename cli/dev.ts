import { run as runDemo } from './demo';

export const help = `
./pelvik dev [--reset] [--port N]

Like ./pelvik demo, but rebuilds what changes while you work.
`;

export function run(args: string[]): Promise<number> {
  return runDemo(args, 'dev');
}
