import type { Problem } from './problem';

/** Collects problems in the order they are found. */
export class Report {
  readonly problems: Problem[] = [];

  add(pointer: string, message: string, remedy: string): void {
    this.problems.push({ pointer, message, remedy });
  }
}
