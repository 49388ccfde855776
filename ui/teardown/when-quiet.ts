import { useEffect } from 'react';

/** Once the page is this long quiet, ms. */
const QUIET = 3000;

/** Loads a piece of script once the page is quiet, so that it is at hand later, also without a connection. */
export function useWhenQuiet(load: () => Promise<unknown>): void {
  useEffect(() => {
    const timer = setTimeout(() => void load().catch(() => undefined), QUIET);
    return () => clearTimeout(timer);
  }, [load]);
}
