import { HttpErrorResponse } from '@angular/common/http';
import type { Refusal, RemovedRefusal, StaleRefusal } from '@intervex/contract/wire';

/** What the server refused and why, or nothing where it did not answer at all. */
export function refusalOf(error: unknown): Refusal | undefined {
  if (!(error instanceof HttpErrorResponse) || error.status === 0) return undefined;
  const body: unknown = error.error;
  return typeof body === 'object' && body !== null && 'error' in body ? (body as Refusal) : undefined;
}

export const isStale = (refusal: Refusal | undefined): refusal is StaleRefusal => refusal?.error === 'stale';

export const isRemoved = (refusal: Refusal | undefined): refusal is RemovedRefusal =>
  refusal?.error === 'removed';

/** True where trying again later can help: no answer, too many at once, or anything that went wrong over there. */
export function canRetry(error: unknown): boolean {
  if (!(error instanceof HttpErrorResponse)) return false;
  return error.status === 0 || error.status === 408 || error.status === 429 || error.status >= 500;
}

/** A sentence for the person at the bench. */
export function sentenceOf(error: unknown): string {
  const refusal = refusalOf(error);
  if (!refusal) return 'The server does not answer. Is Intervex still running?';
  const [first] = refusal.problems;
  return first ? `${refusal.message} Right would be: ${first.right}.` : refusal.message;
}

/** Why a plan was not saved, and what would be right. */
export function notSaved(error: unknown): string {
  const place = refusalOf(error)?.problems[0];
  return place
    ? `Not saved: ${place.field} ${place.wrong}. Right would be: ${place.right}.`
    : `Not saved. ${sentenceOf(error)}`;
}
