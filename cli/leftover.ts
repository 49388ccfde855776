import { existsSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { DATA, ROOT } from './system';

const NOTE = path.join(DATA, 'server.json');

/** A process by what tells it from every other: an id is used again, the pair is not. */
interface ProcessMark {
  pid: number;
  /** When the kernel started it, in its own clock ticks. */
  started: string;
}

interface Note {
  /** The command that runs the server and stops it in order. */
  command: ProcessMark;
  server: ProcessMark;
  address: string;
}

/** Notes the running server, so that the next start knows of it, and can end it if this command is killed and cannot. */
export function noteServer(pid: number, address: string): void {
  const [command, server] = [markOf(process.pid), markOf(pid)];
  if (command && server)
    writeFileSync(NOTE, JSON.stringify({ command, server, address } satisfies Note), { mode: 0o600 });
}

export function forgetServer(): void {
  rmSync(NOTE, { force: true });
}

/** Where this checkout is being served by a command that still runs; null when nowhere. */
export function servedAt(): string | null {
  const note = read();
  return note && lives(note.command) ? note.address : null;
}

/** Ends the server that a killed run left behind: only the very process that was noted, in this very checkout. */
export function endLeftover(): void {
  const note = read();
  if (note && lives(note.server) && folderOf(note.server.pid) === ROOT)
    process.kill(note.server.pid, 'SIGKILL');
  forgetServer();
}

function read(): Note | null {
  if (!existsSync(NOTE)) return null;
  try {
    const note = JSON.parse(readFileSync(NOTE, 'utf8')) as Partial<Note>;
    return note.command && note.server && note.address ? (note as Note) : null;
  } catch {
    return null;
  }
}

function lives({ pid, started }: ProcessMark): boolean {
  return markOf(pid)?.started === started;
}

function markOf(pid: number): ProcessMark | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The name in brackets may hold blanks; state and start time are the 1st and 20th field after it.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return fields[0] === 'Z' || !fields[19] ? null : { pid, started: fields[19] };
  } catch {
    return null;
  }
}

function folderOf(pid: number): string | null {
  try {
    return readlinkSync(`/proc/${pid}/cwd`);
  } catch {
    return null;
  }
}
