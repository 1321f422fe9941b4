import type { IncomingMessage } from 'node:http';
import type { Request } from 'express';
import type { Config } from '../config.js';

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

/** The address that people reach this server by: as it is set, or as this request has come. */
export const ownAddress = (config: Config, request: Request): string =>
  config.publicAddress || `${request.protocol}://${request.get('host') ?? ''}`;
