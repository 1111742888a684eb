import type { Node } from './node';

/** What a stage would like to know and only a later one can tell: undefined until that one does. */
export type Asked<T> = Node<T | undefined>;

/** A question of one stage that another answers, or none. */
export interface Answer {
  readonly asked: Node<unknown>;
  readonly by: Node<unknown>;
}

/**
 * Puts a question that a later stage may answer. Read like any other node; nothing is known while nobody answers.
 *
 * @param name stage and idea, such as `stance.outward`
 */
export const asks = <T>(name: string): Asked<T> => ({ name, run: () => undefined });

/** Answers a question of an earlier stage. */
export const answer = <T>(asked: Asked<T>, by: Node<T | undefined>): Answer => ({ asked, by });
