import { redrill } from './redrill';
import type { CanDrill, ShaftWanted } from '../shafts/stock-pairs';

/**
 * Whether the flange of a stock shaft can be re-drilled to the wanted pattern, by the limits that come with it. Each
 * pattern is worked out once. Rim and pilot of a shaft that is not here yet are not known, so they are not held here.
 *
 * @returns never where nothing may be drilled or the pattern is not known
 */
export function canDrill({ holes, pcd, drill }: ShaftWanted): CanDrill {
  if (!drill || holes === undefined || pcd === undefined) return () => false;
  const wanted = { count: holes, pcd, hole: drill.hole };
  const known = new Map<string, boolean>();
  return (size) => {
    const old = { count: size['holes'] ?? 0, pcd: size['pcd'] ?? 0, hole: size['hole'] ?? drill.hole };
    if (!(old.count >= 3 && old.pcd > 0)) return false;
    const key = `${old.count} ${old.pcd} ${old.hole}`;
    const before = known.get(key);
    if (before !== undefined) return before;
    const { possible } = redrill({ old, wanted }, drill);
    known.set(key, possible);
    return possible;
  };
}
