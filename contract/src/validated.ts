import type { Schema, ValidationOptions, ValidationResult } from 'joi';

/** More values than this hold no plan, by far: of what is larger the first fault is told alone. */
const MOST_LOOKED_THROUGH = 12_000;

/**
 * Whether a value holds more than so many others; it is counted no further than that.
 *
 * @example largerThan({ a: [1, 2, 3] }, 3) // true: the list and what it holds
 */
export function largerThan(value: unknown, most: number): boolean {
  const open: unknown[] = [value];
  for (let count = 0; open.length > 0; count += 1) {
    if (count > most) return true;
    const next = open.pop();
    if (typeof next !== 'object' || next === null) continue;
    const parts = Object.values(next);
    if (parts.length > most) return true;
    open.push(...parts);
  }
  return false;
}

/**
 * Validates with every fault told; of what is far too large to be meant, the first one alone, so that nobody waits while
 * thousands are worded.
 *
 * @example validated(Joi.array().items(Joi.number()), Array(50_000).fill('x')).error?.details.length // 1
 */
export function validated<T>(
  schema: Schema<T>,
  value: unknown,
  options: Omit<ValidationOptions, 'abortEarly'> = {},
): ValidationResult<T> {
  const first = schema.validate(value, { ...options, abortEarly: true });
  if (!first.error || largerThan(value, MOST_LOOKED_THROUGH)) return first;
  return schema.validate(value, { ...options, abortEarly: false });
}
