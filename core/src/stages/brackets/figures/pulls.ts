import type { Maybe } from '../../../measure';
import { asks } from '../../../stage';

/** Hardest loads that the suspension’s links bring, N, with the project’s factor; without sign. */
export interface Pulls {
  /** By the bracket that holds the link. */
  readonly byBracket: Readonly<Record<string, Maybe>>;
  /** By the link’s kind and side, such as `lower.left`; `single` for one by itself. */
  readonly byKind: Readonly<Record<string, Maybe>>;
}

/** What links pull at, once the suspension’s motion is known. */
export const pulls = asks<Pulls>('brackets.pulls');
