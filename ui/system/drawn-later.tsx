'use client';
import type { ComponentType } from 'react';
import { later, Missed, useLater } from './later';

/**
 * A view whose code comes when it is first drawn, in the browser alone. `Waiting` stands in its place until then;
 * where the code does not arrive, that is said, and it can be tried again.
 */
export function drawnLater<P extends object>(
  load: () => Promise<ComponentType<P>>,
  Waiting?: ComponentType,
): ComponentType<P> {
  const view = later(async () => ({ View: await load() }));
  return function DrawnLater(props: P) {
    const { piece, problem, retry } = useLater(view);
    if (piece) return <piece.View {...props} />;
    if (problem) return <Missed retry={retry} />;
    return Waiting ? <Waiting /> : null;
  };
}
