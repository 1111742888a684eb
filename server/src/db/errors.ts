/** SQLSTATEs worth another try: serialization failure and deadlock. */
const RETRY = new Set(['40001', '40P01']);
/** Node's codes for a server that is not there or went away. */
const GONE = new Set(['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ENOTFOUND', 'ETIMEDOUT']);

const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error && typeof error.code === 'string'
    ? error.code
    : '';

/** What a database that works says no to: who asks, its name, its rules. It would say the same again. */
const OF_ITSELF = /^(28|3D|42)/;

/** True where the database hung up with its last word: it may do so to anybody while it starts, ends or has no room. */
export const isLastWord = (error: unknown): boolean =>
  typeof error === 'object' &&
  error !== null &&
  'severity' in error &&
  (error.severity === 'FATAL' || error.severity === 'PANIC') &&
  !OF_ITSELF.test(codeOf(error));

export const isRetryable = (error: unknown): boolean => RETRY.has(codeOf(error));

/**
 * True where the database cannot be reached now: connection exceptions (class 08), operator intervention
 * (57P…), too many connections (53300), whatever it hung up with, or a broken socket, which the driver reports without a
 * code.
 */
export function isUnavailable(error: unknown): boolean {
  const code = codeOf(error);
  if (isLastWord(error)) return true;
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

/** The database has no room or may not write: what it says of itself, for the page. */
const HELD: Readonly<Record<string, string>> = {
  '53100': 'The disk is full. Nothing was lost: make room, and it is tried again.',
  '53200': 'The database has no memory left just now. Nothing was lost; it will be tried again.',
  '25006': 'The database may only be read just now. Nothing was lost; it will be tried again.',
  '58030': 'The database cannot write to its disk. Nothing was lost; it will be tried again.',
};

/** Why nothing can be kept or read just now, in words; undefined where that is not why. */
export function whyAway(error: unknown): string | undefined {
  const held = HELD[codeOf(error)];
  if (held) return held;
  return isUnavailable(error)
    ? 'The database does not answer just now. Nothing was lost; it will be tried again.'
    : undefined;
}

/** True where there is one of that name, or that number, already. */
export const isTaken = (error: unknown): boolean => codeOf(error) === '23505';

/** True where a value that was sent cannot be kept by the database as what it should be (class 22). */
export const isBadValue = (error: unknown): boolean => codeOf(error).startsWith('22');
