import type { Side } from '../../../geometry';
import { patchGap, type TubePatch } from '../../../mechanics';
import { FITTINGS } from '../names';
import { node } from '../node';
import { seams, tubeMaps, type TubeMap } from './tube-map';

/** A free place on a tube: outboard of its casting face, mm, and round it from the top, rad. */
interface FreePlace {
  readonly side: Side;
  readonly fromCasting: number;
  readonly clock: number;
}

/** Steps in which a free place is looked for: mm along, rad round. */
const ALONG = 2;
const ROUND = Math.PI / 36;
/** How far from the top a breather may stand: oil is thrown up the sides. */
const TOP = Math.PI / 4;
/** Room to put a spanner on it, mm. */
const SPANNER = 12;

/** Nearest free place to where a fitting is, on either tube; near the top for what breathes or fills. */
function nearest(
  p: { patch: TubePatch; id: string; low: boolean },
  maps: readonly TubeMap[],
  seamAt: (side: Side) => number | undefined,
): FreePlace | undefined {
  let best: (FreePlace & { far: number }) | undefined;
  for (const map of maps) {
    const others: readonly TubePatch[] = map.patches.filter(({ placed }) => placed.id !== p.id);
    const seam = seamAt(map.side);
    const wide = p.patch.to - p.patch.from;
    for (let x = SPANNER + wide / 2; x <= map.length - SPANNER - wide / 2; x += ALONG) {
      if (seam !== undefined && Math.abs(x - seam) < SPANNER + wide / 2) continue;
      for (let turn = -TOP; turn <= TOP + 1e-9; turn += ROUND) {
        const clock = p.low ? Math.PI + turn : turn;
        const here: TubePatch = { from: x - wide / 2, to: x + wide / 2, clock, half: p.patch.half, margin: 0 };
        const far = Math.abs(x - (p.patch.from + p.patch.to) / 2) + map.radius * Math.abs(turn);
        if (best && far >= best.far) continue;
        if (others.every((o) => patchGap(here, o, map.radius).body >= SPANNER))
          best = { side: map.side, fromCasting: x, clock, far };
      }
    }
  }
  return best && { side: best.side, fromCasting: best.fromCasting, clock: best.clock };
}

/** For every fitting, where it may go instead; worked out only where somebody asks. */
export const freePlaces = node('freePlaces', (r): Readonly<Record<string, FreePlace>> => {
  const both = r.of(tubeMaps);
  const found: Record<string, FreePlace> = {};
  const seam = (side: Side) => r.of(seams)[side]?.value;
  for (const map of [both.left, both.right]) {
    if (!map) continue;
    for (const patch of map.patches) {
      const { id, item } = patch.placed;
      if (!FITTINGS.includes(item.kind) || found[id]) continue;
      const own = { patch, id, low: item.kind === 'drain' };
      const place = nearest(own, [map], seam);
      if (place) found[id] = place;
    }
  }
  return found;
});
