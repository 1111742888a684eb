/** SQLSTATEs worth another try: serialization failure and deadlock. */
const RETRY = new Set(['40001', '40P01']);
/** Node's codes for a server that is not there or went away. */
const GONE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOTFOUND', 'ETIMEDOUT']);

const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error && typeof error.code === 'string'
    ? error.code
    : '';

export const isRetryable = (error: unknown): boolean => RETRY.has(codeOf(error));

/**
 * True where the database cannot be reached now: connection exceptions (class 08), operator intervention
 * (57P…), too many connections (53300), or a broken socket, which the driver reports without a code.
 */
export function isUnavailable(error: unknown): boolean {
  const code = codeOf(error);
  if (GONE.has(code) || code.startsWith('08') || code.startsWith('57P') || code === '53300') return true;
  if (error instanceof AggregateError) return error.errors.some(isUnavailable);
  return (
    code === '' &&
    error instanceof Error &&
    /^(Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error)/.test(
      error.message,
    )
  );
}
