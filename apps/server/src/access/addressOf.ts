import type { IncomingMessage } from 'node:http';

/**
 * Where a request comes from. Behind `proxies` reverse proxies of our own that is as many places from the end of
 * X-Forwarded-For; without any, what that header says is anybody's word and not heeded.
 */
export function addressOf(request: IncomingMessage, proxies: number): string {
  const header = request.headers['x-forwarded-for'];
  const told = (Array.isArray(header) ? header.join(',') : (header ?? '')).split(',');
  const forwarded = proxies > 0 ? told.at(-proxies)?.trim() : '';
  return forwarded || request.socket.remoteAddress || '';
}
