import { nodesOf, type Node, type ReadOf } from '../../stage';
import type { Bracket } from './choices';
import { brackets } from './words';
import { brief } from '../brief/words';
import { cut } from '../cut/words';
import { donor } from '../donor/words';
import { driveline } from '../driveline/words';
import { gears } from '../gears/words';
import { hubs } from '../hubs/words';
import { shafts } from '../shafts/words';
import { stance } from '../stance/words';
import { survey } from '../survey/words';

/** Makes what this stage computes; it may read its own words and those of the stages named here. */
export const node = nodesOf(brackets, brief, survey, donor, stance, cut, shafts, hubs, driveline, gears);
export type Reads = ReadOf<typeof node>;

/** Nodes that are kept, by the ids of their brackets. */
const MOST_KEPT = 2000;

/**
 * A node for each bracket, by its id: when one of them changes only its own runs again.
 *
 * @param run is given the bracket as it is listed
 */
export function perBracket<T>(
  name: string,
  run: (r: Reads, id: string, item: Bracket) => T,
): (id: string) => Node<T | undefined> {
  const made = new Map<string, Node<T | undefined>>();
  return (id) => {
    let found = made.get(id);
    if (!found) {
      found = node(`${name}.${id}`, (r) => {
        const item: Bracket | undefined = r.field('brackets', id);
        return item && run(r, id, item);
      });
      // A server sees many plans: what they were called is not kept for ever.
      if (made.size >= MOST_KEPT) made.clear();
      made.set(id, found);
    }
    return found;
  };
}
