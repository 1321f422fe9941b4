import { ValidationPipe, type ValidationError } from '@nestjs/common';
import { Problem } from './problem.js';

/** Every input is checked against its class; fields nobody asked for are refused. */
export const validation = new ValidationPipe({
  whitelist: true,
  forbidNonWhitelisted: true,
  transform: true,
  exceptionFactory: (errors: ValidationError[]) => {
    const fields = errors.flatMap((error) => fieldsOf(error));
    const detail = fields[0]?.message ?? 'The input was not understood.';
    return new Problem(400, 'Not understood', sentence(detail), { errors: fields });
  },
});

/** What is wrong, down to the parts of lists and of parts. */
const fieldsOf = ({
  property,
  constraints,
  children = [],
}: ValidationError): { field: string; message: string }[] =>
  constraints || children.length === 0
    ? Object.values(constraints ?? { nested: 'is not understood' }).map((message) => ({
        field: property,
        message,
      }))
    : children.flatMap(fieldsOf);

const sentence = (text: string): string =>
  `${text.charAt(0).toUpperCase()}${text.slice(1)}${text.endsWith('.') ? '' : '.'}`;
