import { derive, given, type Figure, type Maybe } from '../../../measure';
import { waitsFor, type PlaceId, unless } from '../../../stage';
import type { ShaftObstacle } from '../choices';
import type { Line, LineAt } from '../line-at';
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
  const two = r.choice('pieces') === 'two';
  const front = r.figure('drive.frontOutside');
  const lacks = [
    ...r.of(line).lacks,
    ...unless(D, 'drive.outside'),
    ...unless(!two || front, 'drive.frontOutside'),
    ...unless(bump, 'spring.bump'),
  ];
  const over = Object.entries(r.part('overShaft')).map(([id, o]): Over => ({
    id,
    ...o,
    gap: rest && known && D && bump ? gapOf(id, o, { rest, known, D, front, bump }) : undefined,
  }));
  // Which of two shafts lies in the narrowest place is not said: the thicker one counts.
  const sides =
    tunnel && D && (!two || front)
      ? derive({
          id: 'drive.tunnelSide',
          label: 'Free beside the driveshaft in the tunnel',
          unit: 'mm',
          formula: front && two ? '({W} − max({D}, {D_f}))/2' : '({W} − {D})/2',
          source: 'In the middle of the tunnel’s narrowest place',
          inputs: { W: tunnel, D, ...(front && two ? { D_f: front } : {}) },
        })
      : undefined;
  return { over, tunnel: sides, lacks };
});

interface Shafts {
  readonly rest: LineAt;
  readonly known: Line;
  readonly D: Figure;
  /** Outside of the shaft before a centre bearing, mm. */
  readonly front: Maybe;
  readonly bump: Figure;
}

/** Under the shaft that lies there: before a centre bearing the front one, which stays; nothing where none lies. */
function gapOf(id: string, o: ShaftObstacle, { rest, known, D, front, bump }: Shafts): Maybe {
  const { centre, gearbox } = known;
  if (o.along > gearbox.along.value || o.along < rest.pinion.along.value) return undefined;
  if (!centre || o.along <= centre.along.value)
    return gapUnder(id, o, { rest, front: centre ?? gearbox, D, bump });
  return front && underFront(id, o, { centre, gearbox, D: front });
}

/** A place of what lies over the shaft, read by tape. */
const placeOf = (id: string, { name }: ShaftObstacle, what: 'x' | 'h', value: number): Figure =>
  given(
    `drive.over.${id}.${what}`,
    `${name}, ${what === 'x' ? 'forward of the axle' : 'underside'}`,
    value,
    0.8 / Math.sqrt(3),
    'mm',
    { source: 'Tape', evidence: 'measured', byTape: true, waits: waitsFor(['rideHeight']) },
  );

/** The shaft before the centre bearing goes from joint to joint, and stays where it is as the axle moves. */
const underFront = (
  id: string,
  o: ShaftObstacle,
  { centre, gearbox, D }: { readonly centre: Front; readonly gearbox: Front; readonly D: Figure },
): Figure =>
  derive({
    id: `drive.gap.${id}`,
    label: `Front driveshaft under ${o.name}`,
    unit: 'mm',
    formula: '{h} − {D_f}/2 − {z_c} − ({z_g} − {z_c})·({x} − {x_c})/({x_g} − {x_c})',
    source: 'Underside less the height of the shaft before the centre bearing and half of its own tube',
    inputs: {
      h: placeOf(id, o, 'h', o.under),
      x: placeOf(id, o, 'x', o.along),
      D_f: D,
      x_c: centre.along,
      z_c: centre.height,
      x_g: gearbox.along,
      z_g: gearbox.height,
    },
  });

type Front = LineAt['pinion'];
interface Shaft {
  readonly rest: LineAt;
  readonly front: Front;
  readonly D: Figure;
  readonly bump: Figure;
}

/** Above the last shaft the axle’s bump counts, the more the nearer it lies to the pinion; before it the shaft stays. */
function gapUnder(id: string, o: ShaftObstacle, { rest, front, D, bump }: Shaft): Figure {
  const { pinion } = rest;
  const share = 'min(1, max(0, ({x_f} − {x})/({x_f} − {x_p})))';
  return derive({
    id: `drive.gap.${id}`,
    label: `Driveshaft under ${o.name}, at full bump`,
    unit: 'mm',
    formula: `{h} − {D}/2 − {z_f} − (({z_p} − {z_f}) + {b})·${share}`,
    source:
      'Underside less the shaft’s height there and half of its tube; the pinion’s joint raised by the bump travel',
    inputs: {
      h: placeOf(id, o, 'h', o.under),
      x: placeOf(id, o, 'x', o.along),
      D,
      b: bump,
      x_f: front.along,
      z_f: front.height,
      x_p: pinion.along,
      z_p: pinion.height,
    },
  });
}
