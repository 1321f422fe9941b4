import {
  Catch,
  HttpException,
  Logger,
  type ArgumentsHost,
  type ExceptionFilter,
} from '@nestjs/common';
import type { Response } from 'express';
import { MulterError } from 'multer';
import { Problem, sendBody, type ProblemBody } from './problem.js';
import { WHY } from './readable.js';

/** Turns whatever was thrown into one problem format. A stack goes to the log, never to the caller. */
@Catch()
export class ProblemFilter implements ExceptionFilter {
  #logger = new Logger('problem');

  catch(thrown: unknown, host: ArgumentsHost): void {
    sendBody(host.switchToHttp().getResponse<Response>(), this.#describe(thrown));
  }

  #describe(thrown: unknown): ProblemBody {
    if (thrown instanceof Problem) return thrown.getResponse() as ProblemBody;
    if (thrown instanceof MulterError) {
      return problem(413, 'Too large', 'The file is too large: 20 MB is the most.');
    }
    const status = statusOf(thrown);
    if (status === 413)
      return problem(413, 'Too large', 'That was more than can be taken at once.');
    if (status !== null && status < 500) {
      const message =
        thrown instanceof HttpException || (thrown as Error).message === WHY
          ? (thrown as Error).message
          : 'The request was not understood.';
      return problem(status, 'Not understood', message);
    }
    this.#logger.error(thrown instanceof Error ? (thrown.stack ?? thrown.message) : String(thrown));
    return problem(500, 'Our fault', 'Something went wrong on the server. Nothing was changed.');
  }
}

function statusOf(thrown: unknown): number | null {
  if (thrown instanceof HttpException) return thrown.getStatus();
  const status = (thrown as { status?: unknown } | null)?.status;
  return typeof status === 'number' ? status : null;
}

const problem = (status: number, title: string, detail: string): ProblemBody => ({
  type: 'about:blank',
  title,
  status,
  detail,
});
