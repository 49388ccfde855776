'use client';
import NextLink from 'next/link';
import type { ComponentProps } from 'react';

/**
 * A way to another page, fetched when it is pressed. Fetching ahead would ask the server for every job on the
 * board and every stage of a job, twice, and still ask again at the press: what a job says changes too often to keep.
 */
export function Link(props: Omit<ComponentProps<typeof NextLink>, 'prefetch'>) {
  return <NextLink {...props} prefetch={false} />;
}
