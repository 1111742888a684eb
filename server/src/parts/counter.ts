import { counterSchema } from '@intervex/contract';
import type { PartKind, PartOffer } from '@intervex/core';
import pRetry from 'p-retry';

/** How long one question may take, ms. */
export const ANSWER_MS = 1500;
const RETRIES = 2;
const FIRST_PAUSE_MS = 150;

/** Why the counter was not heard, in words for the page. */
export class CounterAway extends Error {
  constructor(
    message: string,
    /** Worth another try at once: it refused or failed, it did not just keep us waiting. */
    readonly again: boolean,
  ) {
    super(message);
  }
}

/**
 * Asks the parts counter for all it has of one kind. Tries again where it refused, not where it kept us waiting:
 * somebody stands at the bench.
 *
 * @throws CounterAway with the reason in words
 */
export function askCounter(url: string, kind: PartKind): Promise<readonly PartOffer[]> {
  return pRetry(() => askOnce(url, kind), {
    retries: RETRIES,
    minTimeout: FIRST_PAUSE_MS,
    shouldRetry: ({ error }) => error instanceof CounterAway && error.again,
  });
}

async function askOnce(url: string, kind: PartKind): Promise<readonly PartOffer[]> {
  const address = new URL('/parts', url);
  address.searchParams.set('kind', kind);
  let data: unknown;
  try {
    const response = await fetch(address, { signal: AbortSignal.timeout(ANSWER_MS) });
    if (!response.ok) throw new CounterAway(`the counter answers ${response.status}`, response.status >= 500);
    data = await response.json();
  } catch (error) {
    throw asAway(error);
  }
  const { error, value } = counterSchema.validate(data, { convert: false, stripUnknown: true });
  if (error) throw new CounterAway('the counter’s answer makes no sense', false);
  return value.offers;
}

function asAway(error: unknown): CounterAway {
  if (error instanceof CounterAway) return error;
  if (error instanceof Error && error.name === 'TimeoutError')
    return new CounterAway(`the counter did not answer within ${ANSWER_MS / 1000} s`, false);
  if (error instanceof SyntaxError) return new CounterAway('the counter’s answer makes no sense', false);
  return new CounterAway('the counter cannot be reached', true);
}
