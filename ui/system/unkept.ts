'use client';
import { useSyncExternalStore } from 'react';

/** Fields whose words cannot be used as they stand: a number out of its limits, half a date. */
class Unkept {
  private readonly fields = new Set<object>();
  private readonly listeners = new Set<() => void>();

  mark(field: object, on: boolean): void {
    if (on === this.fields.has(field)) return;
    if (on) this.fields.add(field);
    else this.fields.delete(field);
    this.listeners.forEach((listener) => listener());
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  count = (): number => this.fields.size;
}

export const unkept = new Unkept();

/** How many fields on the page hold something that is not kept. */
export function useUnkept(): number {
  return useSyncExternalStore(unkept.subscribe, unkept.count, () => 0);
}
