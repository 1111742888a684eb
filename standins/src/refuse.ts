import type { Response } from 'express';
import type { Schema } from 'joi';

/** The body as its schema has it; an answer of 400 that names the field where it is not. */
export function body<T>(schema: Schema<T>, value: unknown, response: Response): T | undefined {
  const result = schema.validate(value ?? {}, { abortEarly: false });
  if (!result.error) return result.value;
  response.status(400).json({
    error: 'invalid',
    problems: result.error.details.map((d) => ({ field: d.path.join('.'), wrong: d.message })),
  });
  return undefined;
}
