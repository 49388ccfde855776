import type { Box } from '@/workers/device';

const ALGORITHM = 'AES-GCM';

/** A key from the server's 32 bytes in base64. It can be used but not read, also by whoever opens the browser's storage. */
export function keyFrom(base64: string): Promise<CryptoKey> {
  const bytes = Uint8Array.from(atob(base64), (c) => c.charCodeAt(0));
  return crypto.subtle.importKey('raw', bytes, ALGORITHM, false, ['encrypt', 'decrypt']);
}

export async function lock(key: CryptoKey, bytes: BufferSource): Promise<Box> {
  const iv = crypto.getRandomValues(new Uint8Array(12));
  return { iv, data: await crypto.subtle.encrypt({ name: ALGORITHM, iv }, key, bytes) };
}

/** Throws an OperationError for another key. */
export async function unlock(key: CryptoKey, { iv, data }: Box): Promise<ArrayBuffer> {
  return crypto.subtle.decrypt({ name: ALGORITHM, iv }, key, data);
}
