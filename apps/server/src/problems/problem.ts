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
export function sendProblem(response: Response, refused: Problem): void {
  response
    .status(refused.getStatus())
    .type('application/problem+json')
    .send(JSON.stringify(refused.getResponse()));
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
