import type { IncomingMessage } from 'node:http';
import type { NextFunction, Request, Response } from 'express';
import { Problem, sendProblem } from '../problems/problem.js';

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
  if (['GET', 'HEAD', 'OPTIONS'].includes(request.method) || isSameOrigin(request)) {
    next();
    return;
  }
  sendProblem(response, new Problem(403, 'Refused', 'This request came from another site.'));
}
