'use client';

/** A telephone number that can be called with one press. */
export function Phone({ number }: { number: string }) {
  const dialled = number.replace(/[^\d+*#]/g, '');
  return dialled ? <a href={`tel:${dialled}`}>{number}</a> : number;
}
