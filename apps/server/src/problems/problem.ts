import { HttpException } from '@nestjs/common';

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

export const notFound = (what: string): Problem =>
  new Problem(404, 'Not found', `There is no such ${what}, or it is not yours to open.`);
export const signInFirst = (): Problem => new Problem(401, 'Not signed in', 'Sign in first.');
export const refused = (detail: string): Problem => new Problem(409, 'Not possible', detail);
export const invalid = (detail: string): Problem => new Problem(400, 'Not understood', detail);
export const tooMany = (seconds: number): Problem =>
  new Problem(
    429,
    'Too many tries',
    `That was wrong too often. Wait ${seconds} seconds and try again.`,
  );
