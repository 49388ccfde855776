import type { IncomingMessage, ServerResponse } from 'node:http';
import proxyAddr from 'proxy-addr';
import { SHELL_HEADER } from './shell';

/**
 * What is settled about a request before anything else sees it: where it came from, whether over TLS, and that its
 * address can be read. Headers that only a trusted proxy may set are believed from nobody else.
 */
export interface FrontDoor {
  /** Settles the request; false when it was answered here. */
  admit(request: IncomingMessage, response: ServerResponse): boolean;
}

const FORWARDED = [
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-proto',
  'x-forwarded-port',
  'forwarded',
];
const OURS = ['x-pelvik-address', 'x-pelvik-secure', SHELL_HEADER];
const LONGEST_PATH = 4096;
const YEAR = 365 * 24 * 3600;

/** `proxies`: addresses or networks that may say where a request came from, as `proxy-addr` takes them. */
export function frontDoor(proxies: string[]): FrontDoor {
  const trusted = proxyAddr.compile(proxies);
  return {
    admit(request, response) {
      const peer = request.socket.remoteAddress ?? '';
      for (const name of OURS) delete request.headers[name];
      const behindProxy = peer !== '' && trusted(peer, 0);
      const address = behindProxy ? clientOf(request, trusted) : peer;
      const secure = behindProxy && request.headers['x-forwarded-proto'] === 'https';
      if (!behindProxy) for (const name of FORWARDED) delete request.headers[name];
      request.headers['x-pelvik-address'] = address || 'unknown';
      if (secure) {
        request.headers['x-pelvik-secure'] = '1';
        response.setHeader('Strict-Transport-Security', `max-age=${YEAR}; includeSubDomains`);
      }
      if (readable(request.url ?? '/')) return true;
      refuse(request, response);
      return false;
    },
  };
}

function clientOf(request: IncomingMessage, trusted: (address: string, index: number) => boolean): string {
  try {
    return proxyAddr(request, trusted);
  } catch {
    return request.socket.remoteAddress ?? '';
  }
}

/** True when path and query can be decoded and hold no NUL, which no database keeps. */
export function readable(url: string): boolean {
  if (url.length > LONGEST_PATH) return false;
  try {
    return !decodeURIComponent(url.replaceAll('+', ' ')).includes('\0');
  } catch {
    return false;
  }
}

function refuse(request: IncomingMessage, response: ServerResponse): void {
  const error = {
    message: 'This address cannot be read.',
    remedy: 'Check that it was copied whole, or go back to the board.',
    problems: [],
  };
  const api = request.url?.startsWith('/api/');
  response.writeHead(400, { 'content-type': api ? 'application/json' : 'text/html; charset=utf-8' });
  response.end(api ? JSON.stringify({ error }) : plainPage(error.message, error.remedy));
}

/** A page for when the application itself cannot draw one; `again` reloads it by itself after so many seconds. */
export function plainPage(title: string, words: string, again?: number): string {
  const reload = again ? `<meta http-equiv="refresh" content="${again}">` : '';
  return `<!doctype html><html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">${reload}
<title>${title}</title><style>body{margin:0;background:#14201e;color:#f2f4ef;font:18px/1.5 system-ui,sans-serif;display:grid;place-content:center;min-height:100vh;padding:24px}h1{font-size:28px;margin:0 0 8px}p{max-width:46ch;margin:0}a{color:#8fb0ff}</style></head>
<body><main><h1>${title}</h1><p>${words}</p><p><a href="/">To the board</a></p></main></body></html>`;
}
