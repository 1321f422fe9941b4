import type { IncomingMessage } from 'node:http';
import type { NextFunction, Request, Response } from 'express';

/** Whether a request comes from a page of this very server: cookies alone do not prove it. */
export function isSameOrigin(request: IncomingMessage): boolean {
  const { origin, host } = request.headers;
  if (origin === undefined) return request.headers['sec-fetch-site'] !== 'cross-site';
  try {
    return new URL(origin).host === host;
  } catch {
    return false;
  }
}

export function originCheck(request: Request, response: Response, next: NextFunction): void {
  if (['GET', 'HEAD', 'OPTIONS'].includes(request.method) || isSameOrigin(request)) return next();
  response
    .status(403)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: 'about:blank',
        title: 'Refused',
        status: 403,
        detail: 'This request came from another site.',
      }),
    );
}
