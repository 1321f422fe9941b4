import { HttpException } from '@nestjs/common';
import type { Response } from 'express';

/** An error as RFC 9457 describes it. `detail` is a sentence for a person: what happened, and what to do next. */
export interface ProblemBody {
  type: string;
  title: string;
  status: number;
  detail: string;
  /** For input that does not fit: the field and what is wrong with it. */
  errors?: { field: string; message: string }[];
  [extension: string]: unknown;
}

export class Problem extends HttpException {
  constructor(status: number, title: string, detail: string, extensions: object = {}) {
    super({ type: 'about:blank', title, status, detail, ...extensions }, status);
  }
}

/** For what is refused before the application's own handling begins. */
export const sendProblem = (response: Response, refused: Problem): void =>
  sendBody(response, refused.getResponse() as ProblemBody);

/** Milliseconds until a refusal is told, asked for each one. */
const WAITS = new WeakMap<Response, () => number>();

/** From now on what this response refuses is told after as long as `wait` says. */
export function tellRefusalsBy(response: Response, wait: () => number): void {
  WAITS.set(response, wait);
}

/** The one place from which problems are sent. */
export function sendBody(response: Response, body: ProblemBody): void {
  const send = (): void => {
    if (response.destroyed) return;
    response.status(body.status).type('application/problem+json').send(JSON.stringify(body));
  };
  const wait = WAITS.get(response)?.() ?? 0;
  if (wait > 0) setTimeout(send, wait);
  else send();
}

export const notFound = (what: string): Problem =>
  new Problem(404, 'Not found', `There is no such ${what}, or it is not yours to open.`);
export const signInFirst = (): Problem => new Problem(401, 'Not signed in', 'Sign in first.');
export const refused = (detail: string): Problem => new Problem(409, 'Not possible', detail);
export const invalid = (detail: string): Problem => new Problem(400, 'Not understood', detail);
/** Somebody asks for more than their share. */
export const tooMuch = (seconds: number): Problem =>
  new Problem(429, 'Too much at once', `That was a lot at once. Wait ${seconds} s and try again.`);

export const tooMany = (seconds: number): Problem =>
  new Problem(
    429,
    'Too many tries',
    `That was wrong too often. Wait ${seconds} seconds and try again.`,
  );
