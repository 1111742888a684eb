import type { Figure } from '../../../measure';
import type { Node } from '../../../stage';
import { bodiesTaken, numbersOf, pairFigures, sizesInUse, takenPair } from '../in-use';
import { node } from '../node';

/** Lengths and splines of the pair that was chosen from stock. */
export const pair = node('pair', (r) =>
  pairFigures({ left: r.search('shaftLeft'), right: r.search('shaftRight') }),
);

/** The pair from stock, where it is what the plan runs. */
export const taken = node('taken', (r) =>
  takenPair(r.choice('school'), { left: r.search('shaftLeft'), right: r.search('shaftRight') }),
);

export const stockTaken = node('stockTaken', (r) => r.of(taken) !== undefined);
export const takenNumbers = node('takenNumbers', (r) => numbersOf(r.of(taken)));

/** Sizes that are a stock shaft’s where one was taken, by quantity; undefined where its list does not say them. */
export const inUse = node('inUse', (r) => sizesInUse(r.of(taken)));

/** Smallest body of each shaft from stock, where a pair was taken. */
export const stockBodies = node('stockBodies', (r) => bodiesTaken(r.of(taken)));

/** Finds what will run: of a part taken from stock its own sizes, else what is known of the quantity. */
export function using<I extends string>(r: {
  readonly figure: (id: I) => Figure | undefined;
  readonly of: <T>(node: Node<T>) => T;
}): (id: I) => Figure | undefined {
  const used = r.of(inUse);
  return (id) => (id in used ? used[id] : r.figure(id));
}
