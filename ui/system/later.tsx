'use client';
import { useCallback, useEffect, useReducer, useState } from 'react';
import { Button } from './button';
import { Notice } from './sheet';

/** A piece of script, or of knowledge, that comes when it is wanted. */
export interface Later<M> {
  /** Null until it is there. */
  read: () => M | null;
  /** Brings it; one that did not come is asked for anew the next time. */
  bring: () => Promise<void>;
}

export function later<M>(load: () => Promise<M>): Later<M> {
  let piece: M | null = null;
  let coming: Promise<void> | null = null;
  return {
    read: () => piece,
    bring: () =>
      (coming ??= load()
        .then((loaded) => void (piece = loaded))
        .finally(() => (coming = null))),
  };
}

/**
 * The piece, once it is wanted and there. While the network is gone it may not come: then it is tried again with it, and
 * `problem` is what went wrong.
 */
export function useLater<M>(
  piece: Later<M>,
  wanted = true,
): { piece: M | null; problem: unknown; retry: () => void } {
  const [, drawn] = useReducer((n: number) => n + 1, 0);
  const [missed, setMissed] = useState<{ piece: Later<M>; problem: unknown } | null>(null);
  const retry = useCallback(() => {
    piece.bring().then(drawn, (problem: unknown) => setMissed({ piece, problem }));
  }, [piece]);
  useEffect(() => {
    if (wanted && !piece.read()) retry();
  }, [piece, wanted, retry]);
  useEffect(() => {
    if (!missed) return;
    window.addEventListener('online', retry);
    return () => window.removeEventListener('online', retry);
  }, [missed, retry]);
  const there = wanted ? piece.read() : null;
  return { piece: there, problem: missed?.piece === piece && !there ? missed.problem : null, retry };
}

/** Stands where a piece of the page did not arrive. */
export function Missed({ retry }: { retry: () => void }) {
  return (
    <Notice $tone="warn" role="alert">
      This part of the page did not arrive: no connection to the shop’s server. Nothing typed is lost.{' '}
      <Button $small onPress={retry}>
        Try again
      </Button>
    </Notice>
  );
}

/** Once the page is this long quiet, ms. */
const QUIET = 3000;

/** Brings a piece once the page is quiet, so that it is at hand later, also without a connection. */
export function useWhenQuiet(piece: Later<unknown>): void {
  useEffect(() => {
    const timer = setTimeout(() => void piece.bring().catch(() => undefined), QUIET);
    return () => clearTimeout(timer);
  }, [piece]);
}
