import type { Instrumentation } from 'next';

/** What fails while a page is drawn goes to the same log as everything else. */
export const onRequestError: Instrumentation.onRequestError = async (error, request, context) => {
  if (process.env.NEXT_RUNTIME === 'edge') return;
  const { log, safePath } = await import('./server/log');
  log.error(
    {
      method: request.method,
      path: safePath(request.path),
      route: context.routePath,
      error: error instanceof Error ? error.stack : String(error),
    },
    'page failed',
  );
};
