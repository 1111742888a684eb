import type { Maybe } from '../../../measure';
import { asks } from '../../../stage';

/** Hardest loads that the suspension’s links bring, N, with the project’s factor; without sign. */
export interface Pulls {
  /** Each link that a bracket holds: what it pulls with, and which way, a unit vector in the car. */
  readonly ways: Readonly<Record<string, readonly PullOf[]>>;
  /** Brackets whose bar is one with the axle: it turns them by its whole length, which nothing here reckons. */
  readonly turned: readonly string[];
  /** By the bracket that holds the link. */
  readonly byBracket: Readonly<Record<string, Maybe>>;
  /** By the link’s kind and side, such as `lower.left`; `single` for one by itself. */
  readonly byKind: Readonly<Record<string, Maybe>>;
}

/** One link’s pull at its bracket. */
export interface PullOf {
  readonly load: Maybe;
  /** Forward, left, up; nothing where it is not known. */
  readonly way: readonly [x: number, y: number, z: number] | undefined;
}

/** What links pull at, once the suspension’s motion is known. */
export const pulls = asks<Pulls>('brackets.pulls');
