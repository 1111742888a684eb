import { derive, given, type Figure, type Maybe } from '../../../measure';
import { waitsFor, type PlaceId, unless } from '../../../stage';
import type { ShaftObstacle } from '../choices';
import type { LineAt } from '../line-at';
import { node } from '../node';
import { line } from './line';
import { atRest } from './motion';

/** What stands over the driveshaft, and what is left under it at full bump. */
export interface Over extends ShaftObstacle {
  readonly id: string;
  /** Least distance from the shaft’s tube, mm; undefined while it is not known. */
  readonly gap: Maybe;
}
export interface ShaftRoom {
  readonly over: readonly Over[];
  /** Free at either side in the tunnel’s narrowest place, mm. */
  readonly tunnel: Maybe;
  readonly lacks: readonly PlaceId[];
}

/** Room along the driveshaft. */
export const shaftRoom = node('room', (r): ShaftRoom => {
  const [rest, known, D, bump, tunnel] = [
    r.of(atRest),
    r.of(line).line,
    r.figure('drive.outside'),
    r.figure('spring.bump'),
    r.figure('line.tunnel'),
  ];
  const lacks = [...r.of(line).lacks, ...unless(D, 'drive.outside'), ...unless(bump, 'spring.bump')];
  const over = Object.entries(r.part('overShaft')).map(([id, o]): Over => ({
    id,
    ...o,
    gap:
      rest && known && D && bump
        ? gapUnder(id, o, { rest, front: known.centre ?? known.gearbox, D, bump })
        : undefined,
  }));
  const sides =
    tunnel && D
      ? derive({
          id: 'drive.tunnelSide',
          label: 'Free beside the driveshaft in the tunnel',
          unit: 'mm',
          formula: '({W} − {D})/2',
          source: 'In the middle of the tunnel’s narrowest place',
          inputs: { W: tunnel, D },
        })
      : undefined;
  return { over, tunnel: sides, lacks };
});

type Front = LineAt['pinion'];
interface Shaft {
  readonly rest: LineAt;
  readonly front: Front;
  readonly D: Figure;
  readonly bump: Figure;
}

/** Above the last shaft the axle’s bump counts, the more the nearer it lies to the pinion; before it the shaft stays. */
function gapUnder(id: string, { name, along, under }: ShaftObstacle, { rest, front, D, bump }: Shaft): Figure {
  const { pinion } = rest;
  const at = (what: string, value: number) =>
    given(
      `drive.over.${id}.${what}`,
      `${name}, ${what === 'x' ? 'forward of the axle' : 'underside'}`,
      value,
      0.8 / Math.sqrt(3),
      'mm',
      {
        source: 'Tape',
        evidence: 'measured',
        byTape: true,
        waits: waitsFor(['rideHeight']),
      },
    );
  const share = 'min(1, max(0, ({x_f} − {x})/({x_f} − {x_p})))';
  return derive({
    id: `drive.gap.${id}`,
    label: `Driveshaft under ${name}, at full bump`,
    unit: 'mm',
    formula: `{h} − {D}/2 − {z_f} − (({z_p} − {z_f}) + {b})·${share}`,
    source:
      'Underside less the shaft’s height there and half of its tube; the pinion’s joint raised by the bump travel',
    inputs: {
      h: at('h', under),
      x: at('x', along),
      D,
      b: bump,
      x_f: front.along,
      z_f: front.height,
      x_p: pinion.along,
      z_p: pinion.height,
    },
  });
}
