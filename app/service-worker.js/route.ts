import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { open } from '@/server/http';

/** The service worker, as the build bundled it; there is none while developing. */
export const GET = open(async () => {
  const file = path.join(process.cwd(), '.next', 'pelvik-service-worker.js');
  const code = await readFile(file, 'utf8').catch(() => null);
  if (code === null) return new Response(null, { status: 404 });
  return new Response(code, {
    headers: { 'content-type': 'text/javascript; charset=utf-8', 'cache-control': 'no-cache' },
  });
});
