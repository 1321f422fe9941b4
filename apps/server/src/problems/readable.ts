import type { NextFunction, Request, Response } from 'express';
import { invalid } from './problem.js';

/** NUL, or half of a letter beyond the first 65,536: no text, and nothing that PostgreSQL can keep. */
const UNREADABLE = /\0|[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/;
export const WHY = 'There is a sign in it that is no letter. Write it again without.';

/** Looks at every text and name in a body while it is parsed. */
export function readable(key: string, value: unknown): unknown {
  if (UNREADABLE.test(key) || (typeof value === 'string' && UNREADABLE.test(value))) {
    // As the parser of bodies wants it: it makes an error of its own from this one.
    throw Object.assign(new SyntaxError(WHY), { expose: true });
  }
  return value;
}

/** And at the address itself. */
export function readableAddress(request: Request, _response: Response, next: NextFunction): void {
  let isReadable = true;
  try {
    isReadable = !UNREADABLE.test(decodeURIComponent(request.url));
  } catch {
    isReadable = false;
  }
  next(isReadable ? undefined : invalid(WHY));
}
