import { ValidationPipe, type ValidationError } from '@nestjs/common';
import { Problem } from './problem.js';

/** Every input is checked against its class; fields nobody asked for are refused. */
export const validation = new ValidationPipe({
  whitelist: true,
  forbidNonWhitelisted: true,
  transform: true,
  exceptionFactory: (errors: ValidationError[]) => {
    const fields = errors.flatMap((error) =>
      Object.values(error.constraints ?? { nested: 'is not understood' }).map((message) => ({
        field: error.property,
        message,
      })),
    );
    const detail = fields[0]?.message ?? 'The input was not understood.';
    return new Problem(400, 'Not understood', sentence(detail), { errors: fields });
  },
});

const sentence = (text: string): string =>
  `${text.charAt(0).toUpperCase()}${text.slice(1)}${text.endsWith('.') ? '' : '.'}`;
