import type { LoggerService } from '@nestjs/common';
import type { Logger } from 'pino';

/** Nest's own messages, as structured lines like all others. */
export class NestLog implements LoggerService {
  constructor(private readonly logger: Logger) {}
  log(message: unknown, context?: string): void {
    this.logger.debug({ context }, String(message));
  }
  error(message: unknown, ...rest: unknown[]): void {
    this.logger.error({ context: rest.at(-1) }, String(message));
  }
  warn(message: unknown, context?: string): void {
    this.logger.warn({ context }, String(message));
  }
  debug(message: unknown, context?: string): void {
    this.logger.debug({ context }, String(message));
  }
  verbose(message: unknown, context?: string): void {
    this.logger.trace({ context }, String(message));
  }
}
