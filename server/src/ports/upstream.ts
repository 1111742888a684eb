import pRetry from 'p-retry';
import type { Schema } from 'joi';

/** How long one question to an outside service may take, ms. */
const ANSWER_MS = 1500;
const RETRIES = 2;
const FIRST_PAUSE_MS = 150;

/** Why an outside service was not heard, in words for the page. */
export class UpstreamAway extends Error {
  constructor(
    message: string,
    /** Worth another try at once: it refused or failed, it did not just keep us waiting. */
    readonly again: boolean,
    /** What it answered with, where it answered. */
    readonly status?: number,
  ) {
    super(message);
  }
}

/** It heard the question and says no, in its own words. */
export class UpstreamRefuses extends Error {}

/** What is asked of an outside service. */
interface Question<T> {
  /** Whom, as a sentence names it: `the counter`. */
  readonly of: string;
  readonly address: URL;
  readonly schema: Schema<T>;
  /** Posted as JSON; left out, the question is a GET. */
  readonly body?: unknown;
  /** Asking again could do the thing twice. */
  readonly once?: boolean;
}

/**
 * Asks an outside service and checks its answer. Tries again where it refused, not where it kept us waiting:
 * somebody stands at the bench.
 *
 * @throws UpstreamAway with the reason in words
 * @throws UpstreamRefuses where it says no with a message of its own (422)
 */
export function askUpstream<T>(question: Question<T>): Promise<T> {
  if (question.once) return askOnce(question);
  return pRetry(() => askOnce(question), {
    retries: RETRIES,
    minTimeout: FIRST_PAUSE_MS,
    shouldRetry: ({ error }) => error instanceof UpstreamAway && error.again,
  });
}

async function askOnce<T>({ of, address, schema, body }: Question<T>): Promise<T> {
  let data: unknown;
  try {
    const response = await fetch(address, {
      signal: AbortSignal.timeout(ANSWER_MS),
      ...(body === undefined
        ? {}
        : { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) }),
    });
    if (response.status === 422) throw new UpstreamRefuses(await messageOf(response));
    if (!response.ok) {
      const { status } = response;
      throw new UpstreamAway(`${of} answers ${status}`, status >= 500, status);
    }
    data = await response.json();
  } catch (error) {
    throw asAway(of, error);
  }
  const { error, value } = schema.validate(data, { convert: false, stripUnknown: true });
  if (error) throw new UpstreamAway(`${of}’s answer makes no sense`, false);
  return value;
}

/** Longest message that is passed on. */
const MOST_WORDS = 300;

async function messageOf(response: Response): Promise<string> {
  const data: unknown = await response.json();
  const message = typeof data === 'object' && data !== null && 'message' in data ? data.message : undefined;
  return typeof message === 'string' ? message.slice(0, MOST_WORDS) : 'it gives no reason';
}

function asAway(of: string, error: unknown): Error {
  if (error instanceof UpstreamAway || error instanceof UpstreamRefuses) return error;
  if (error instanceof Error && error.name === 'TimeoutError')
    return new UpstreamAway(`${of} did not answer within ${ANSWER_MS / 1000} s`, false);
  if (error instanceof SyntaxError) return new UpstreamAway(`${of}’s answer makes no sense`, false);
  return new UpstreamAway(`${of} cannot be reached`, true);
}
