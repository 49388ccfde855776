import { CommandError } from './fail';

interface Command {
  summary: string;
  load: () => Promise<{ help: string; run: (args: string[]) => Promise<number> }>;
}

/** The commands by name; each is read when it is asked for. */
const COMMANDS: Record<string, Command> = {
  demo: { summary: 'install, start and serve the demo shop', load: () => import('./demo') },
  start: { summary: 'serve a shop of one’s own', load: () => import('./start') },
  dev: { summary: 'the same with reloading, for working on Pelvik', load: () => import('./dev') },
  test: { summary: 'everything that must hold', load: () => import('./test') },
  bench: { summary: 'measure the budgets, as JSON', load: () => import('./bench') },
  backup: { summary: 'write the whole database to a file', load: () => import('./backup') },
  restore: { summary: 'bring a backup back', load: () => import('./restore') },
  unit: { summary: 'check a unit definition, or break it', load: () => import('./unit') },
  diagnose: { summary: 'rank the causes of a case file', load: () => import('./diagnose') },
  quote: { summary: 'scope and price a case file', load: () => import('./quote') },
  supplier: { summary: 'stand in for the parts suppliers', load: () => import('./supplier') },
  mutate: { summary: 'break the core on purpose and see which tests fall', load: () => import('./mutate') },
  formats: { summary: 'write the published schemas anew', load: () => import('./formats') },
  audit: { summary: 'known weaknesses of the packages used', load: () => import('./audit') },
  trials: { summary: 'faults and hostile input through the real stack', load: () => import('./trials') },
};

function help(): string {
  const width = Math.max(...Object.keys(COMMANDS).map((c) => c.length));
  const lines = Object.entries(COMMANDS).map(([name, c]) => `  ${name.padEnd(width)}  ${c.summary}`);
  return `./pelvik COMMAND [--help]\n\n${lines.join('\n')}\n`;
}

async function carryOut(argv: string[]): Promise<number> {
  const [name, ...args] = argv;
  if (!name || name === '--help' || name === 'help') {
    process.stdout.write(help());
    return name ? 0 : 2;
  }
  const command = COMMANDS[name];
  if (!command) throw new CommandError(`There is no command "${name}". ./pelvik --help lists them.`, 2);
  const { help: text, run } = await command.load();
  if (args.includes('--help')) {
    process.stdout.write(`${text.trim()}\n`);
    return 0;
  }
  return run(args);
}

/** Carries out one command line. What went wrong is printed with its remedy; returns the code to end with. */
export async function answer(argv: string[]): Promise<number> {
  try {
    return await carryOut(argv);
  } catch (error) {
    const known = error instanceof CommandError;
    if (known && error.problems.length && argv.includes('--json')) {
      process.stdout.write(`${JSON.stringify({ ok: false, errors: error.problems })}\n`);
      return error.code;
    }
    process.stderr.write(`pelvik: ${error instanceof Error ? error.message : String(error)}\n`);
    if (!known && process.env.PELVIK_LOG === 'debug') console.error(error);
    return known ? error.code : 1;
  }
}
