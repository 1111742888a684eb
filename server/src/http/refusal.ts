import { problemsOf, validated, type Problem, type Refusal, type RefusalCode } from '@intervex/contract';
import type { ErrorRequestHandler } from 'express';
import type { Schema } from 'joi';
import { isBadValue, isTaken, whyAway } from '../db/errors';

const STATUS: Readonly<Record<RefusalCode, number>> = {
  invalid: 400,
  login: 401,
  forbidden: 403,
  notFound: 404,
  removed: 410,
  stale: 409,
  nothingToUndo: 409,
  inUse: 409,
  revives: 409,
  tooLarge: 413,
  wrongType: 415,
  tooMany: 429,
  internal: 500,
  unavailable: 503,
};

/** An answer that says no: what, where, and what would be right. */
export class Refused extends Error {
  readonly status: number;
  constructor(readonly body: Refusal) {
    super(body.message);
    this.status = STATUS[body.error];
  }
}

export const refused = (error: RefusalCode, message: string, problems: readonly Problem[] = []): Refused =>
  new Refused({ error, message, problems });

/** Validates a body, query or parameters. @throws Refused with every problem found */
export function valid<T>(schema: Schema<T>, value: unknown, what: string, convert = false): T {
  const result = validated(schema, value ?? {}, { convert });
  if (result.error) {
    const problems = problemsOf(result.error);
    const first = problems[0];
    const message = first
      ? `The ${what} is refused: ${first.field || what} ${first.wrong}.`
      : `The ${what} is refused.`;
    throw refused('invalid', message, problems);
  }
  return result.value;
}

/** Turns everything thrown into an answer with field and reason; never a stack trace. */
export const answerErrors: ErrorRequestHandler = (error: unknown, request, response, next) => {
  if (response.headersSent) {
    next(error);
    return;
  }
  const refusal = asRefused(error);
  if (refusal.status >= 500) request.log.error({ err: error }, 'request failed');
  if (refusal.status === 503) response.set('Retry-After', '2');
  if (refusal.status === 429) response.set('Retry-After', '60');
  response.status(refusal.status).json(refusal.body);
};

/** What is answered where something was thrown: field and reason, never a stack trace. */
export function asRefused(error: unknown): Refused {
  if (error instanceof Refused) return error;
  const away = whyAway(error);
  if (away) return refused('unavailable', away);
  return (
    bodyError(error) ??
    askedWrong(error) ??
    refused('internal', 'Something went wrong here. Nothing was changed.')
  );
}

function bodyError(error: unknown): Refused | undefined {
  if (typeof error !== 'object' || error === null || !('type' in error)) return undefined;
  switch (error.type) {
    case 'entity.too.large':
      return tooLarge(error);
    case 'entity.parse.failed':
      return refused('invalid', 'The body is not whole JSON.', [
        { field: 'body', wrong: 'is not whole JSON', right: 'an object in JSON' },
      ]);
    case 'charset.unsupported':
    case 'encoding.unsupported':
      return refused('wrongType', 'The body’s encoding is not known.', [
        { field: 'body', wrong: 'is in another encoding', right: 'UTF-8' },
      ]);
    case 'request.aborted':
    case 'request.size.invalid':
      return refused('invalid', 'The body arrived cut short.', [
        { field: 'body', wrong: 'is shorter than announced', right: 'the whole body' },
      ]);
    default:
      return undefined;
  }
}

/** What the parts below refuse without words of their own: an address or body that cannot be read, a value that cannot be kept. */
function askedWrong(error: unknown): Refused | undefined {
  if (error instanceof URIError)
    return refused('invalid', 'The address cannot be read.', [
      { field: 'address', wrong: 'has a % that stands for nothing', right: 'an address as the page makes it' },
    ]);
  // Asked for twice at once: the first one made it.
  if (isTaken(error))
    return refused('inUse', 'There is one already that is called so. Nothing was changed.', [
      { field: 'name', wrong: 'is taken already', right: 'another name, or the one that is there' },
    ]);
  if (isBadValue(error))
    return refused('invalid', 'A value that was sent cannot be kept. Nothing was changed.', [
      {
        field: 'body',
        wrong: 'holds a value that cannot be kept',
        right: 'plain text and numbers of workshop size',
      },
    ]);
  const status = typeof error === 'object' && error !== null && 'status' in error ? Number(error.status) : 0;
  if (!(status >= 400 && status < 500)) return undefined;
  return refused('invalid', 'The request cannot be read.', [
    {
      field: 'body',
      wrong: 'wrong encoding',
      right: 'a body in the encoding that its header names',
    },
  ]);
}

function tooLarge(error: object): Refused {
  const limit = 'limit' in error ? Number(error.limit) : 0;
  const most = `${Math.round(limit / 2 ** 20)} MB`;
  return refused('tooLarge', `This is too large: at most ${most}.`, [
    { field: 'body', wrong: `is larger than ${most}`, right: `at most ${most}` },
  ]);
}
