import { existsSync, readFileSync, readlinkSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { DATA, ROOT } from './system';

const NOTE = path.join(DATA, 'server.json');

interface Note {
  pid: number;
  /** When the kernel started it, in its own clock ticks: a process id is used again, the pair is not. */
  started: string;
}

/** Notes the running server, so that the next start can end it if this one is killed and cannot. */
export function noteServer(pid: number): void {
  const started = startOf(pid);
  if (started) writeFileSync(NOTE, JSON.stringify({ pid, started } satisfies Note));
}

export function forgetServer(): void {
  rmSync(NOTE, { force: true });
}

/** Ends the server that a killed run left behind: only the very process that was noted, in this very checkout. */
export function endLeftover(): void {
  if (!existsSync(NOTE)) return;
  const { pid, started } = JSON.parse(readFileSync(NOTE, 'utf8')) as Note;
  if (startOf(pid) === started && folderOf(pid) === ROOT) process.kill(pid, 'SIGKILL');
  forgetServer();
}

function startOf(pid: number): string | null {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The name in brackets may hold blanks; the start time is the 20th field after it.
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19] ?? null;
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
