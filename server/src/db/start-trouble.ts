import { isLastWord } from './errors';
import { NewerData } from './migrate';

const CODE: Readonly<Record<string, string>> = {
  ECONNREFUSED: 'nothing answers there',
  ENOTFOUND: 'there is no computer of that name',
  EAI_AGAIN: 'the name of that computer cannot be looked up',
  EHOSTUNREACH: 'that computer cannot be reached',
  ENETUNREACH: 'that computer cannot be reached',
  ETIMEDOUT: 'nothing answers there in time',
  ECONNRESET: 'it hung up',
  '28P01': 'the password is wrong',
  '28000': 'it does not let this user in',
  '3D000': 'it has no database of that name',
  '42501': 'this user may not make or change tables there',
  '25006': 'it may only be read',
  '53100': 'its disk is full',
  '53300': 'it has too many connections',
  '57P03': 'it is only starting up',
  '57P01': 'it is shutting down',
  '57P02': 'it broke down and starts anew',
  '53200': 'it has no memory left',
  '58030': 'it cannot write to its disk',
};
const RIGHT: Readonly<Record<string, string>> = {
  '28P01': 'Set DATABASE_URL to one with the right password.',
  '42501': 'Grant the rights, or set DATABASE_URL to the owner of the database.',
  '53100': 'Make room on that disk and start again.',
};

/**
 * One sentence about why the application cannot begin, and what to do.
 *
 * @example startTrouble(error) // 'The database cannot be used: the password is wrong. Set DATABASE_URL to …'
 */
export function startTrouble(error: unknown): string {
  if (error instanceof NewerData) return error.message;
  if (error instanceof AggregateError && error.errors[0] !== undefined) return startTrouble(error.errors[0]);
  const code = codeOf(error);
  const said = isLastWord(error) ? `it says “${messageOf(error)}”` : undefined;
  const late = /timeout/i.test(messageOf(error)) ? 'nothing answers there in time' : undefined;
  const why = CODE[code] ?? said ?? late;
  if (!why) return messageOf(error);
  return `The database cannot be used: ${why}. ${RIGHT[code] ?? 'Look at DATABASE_URL, and whether that database runs.'}`;
}

const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error && typeof error.code === 'string'
    ? error.code
    : '';
const messageOf = (error: unknown): string => (error instanceof Error ? error.message : String(error));
