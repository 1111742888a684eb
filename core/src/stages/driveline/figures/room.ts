import { derive, given, least, type Figure, type Maybe } from '../../../measure';
import { waitsFor, type PlaceId, unless } from '../../../stage';
import type { ShaftObstacle } from '../choices';
import type { Line, LineAt } from '../line-at';
import { node } from '../node';
import { axleTravel, type AxleTravel } from './axle-travel';
import { axleMoved, line } from './line';
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

/** What stands over the shaft, forward of the axle as it will stand. */
const overNow = node('overNow', (r): readonly (readonly [id: string, o: ShaftObstacle])[] => {
  const forward = r.of(axleMoved)?.value ?? 0;
  return Object.entries(r.part('overShaft')).map(([id, o]) => [id, { ...o, along: o.along - forward }]);
});

/** Free at either side in the tunnel’s narrowest place, mm. */
const tunnelSide = node('tunnelSide', (r): Maybe => {
  const [tunnel, D, front] = [
    r.figure('line.tunnel'),
    r.figure('drive.outside'),
    r.figure('drive.frontOutside'),
  ];
  const two = r.choice('pieces') === 'two';
  // Which of two shafts lies in the narrowest place is not said: the thicker one counts.
  return tunnel && D && (!two || front)
    ? derive({
        id: 'drive.tunnelSide',
        label: 'Free beside the driveshaft in the tunnel',
        unit: 'mm',
        formula: front && two ? '({W} − max({D}, {D_f}))/2' : '({W} − {D})/2',
        source: 'In the middle of the tunnel’s narrowest place',
        inputs: { W: tunnel, D, ...(front && two ? { D_f: front } : {}) },
      })
    : undefined;
});

/** Room along the driveshaft. */
export const shaftRoom = node('room', (r): ShaftRoom => {
  const [rest, known, D, bump] = [
    r.of(atRest),
    r.of(line).line,
    r.figure('drive.outside'),
    r.figure('spring.bump'),
  ];
  const travel = r.of(axleTravel);
  const two = r.choice('pieces') === 'two';
  const front = r.figure('drive.frontOutside');
  const lacks = [
    ...r.of(line).lacks,
    ...unless(D, 'drive.outside'),
    ...unless(!two || front, 'drive.frontOutside'),
    ...unless(bump, 'spring.bump'),
    ...(travel?.lacks ?? []),
  ];
  const pinions = rest && bump ? raised(rest, bump, travel) : [];
  const shafts = rest && known && D && bump ? { rest, known, pinions, D, front } : undefined;
  const over = r.of(overNow).map(([id, o]): Over => ({ id, ...o, gap: shafts && gapOf(id, o, shafts) }));
  return { over, tunnel: r.of(tunnelSide), lacks };
});

interface Shafts {
  readonly rest: LineAt;
  readonly known: Line;
  /** The pinion’s joint wherever it is looked at. */
  readonly pinions: readonly Raised[];
  readonly D: Figure;
  /** Outside of the shaft before a centre bearing, mm. */
  readonly front: Maybe;
}

/** Under the shaft that lies there: before a centre bearing the front one, which stays; nothing where none lies. */
function gapOf(id: string, o: ShaftObstacle, { rest, known, pinions, D, front }: Shafts): Maybe {
  const { centre, gearbox } = known;
  if (o.along > gearbox.along.value || o.along < rest.pinion.along.value) return undefined;
  if (!centre || o.along <= centre.along.value)
    return gapUnder(id, o, { front: centre ?? gearbox, D, pinions });
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
  readonly front: Front;
  readonly D: Figure;
  readonly pinions: readonly Raised[];
}
/** Where the pinion’s joint is at one end of the travel. */
interface Raised {
  readonly end: string;
  readonly words: string;
  readonly along: Figure;
  readonly height: Figure;
}

/** Above the last shaft the pinion’s joint counts, the more the nearer to it; before it the shaft stays. */
function gapUnder(id: string, o: ShaftObstacle, { front, D, pinions }: Shaft): Maybe {
  const share = 'min(1, max(0, ({x_f} − {x})/({x_f} − {x_p})))';
  const [h, x] = [placeOf(id, o, 'h', o.under), placeOf(id, o, 'x', o.along)];
  const gaps = pinions.map(({ end, words, along, height }) =>
    derive({
      id: `drive.gap.${id}.${end}`,
      label: `Driveshaft under ${o.name}, ${words}`,
      unit: 'mm',
      formula: `{h} − {D}/2 − {z_f} − ({z_p} − {z_f})·${share}`,
      source:
        'Underside less the shaft’s height there and half of its tube; the pinion’s joint where its axle takes it',
      inputs: {
        h,
        x,
        D,
        x_f: front.along,
        z_f: front.height,
        x_p: along,
        z_p: height,
      },
    }),
  );
  return least(
    {
      id: `drive.gap.${id}`,
      label: `Driveshaft under ${o.name}, over the travel`,
      unit: 'mm',
      source: 'The least at ride and at every end of the travel',
    },
    gaps,
  );
}

/** The pinion’s joint at ride height and where the axle takes it: straight up, until the suspension’s motion is known. */
function raised({ pinion }: LineAt, bump: Figure, travel: AxleTravel | undefined): readonly Raised[] {
  const rest = { end: 'ride', words: 'at ride height', ...pinion };
  // Links that are listed and do not tell where it goes: not looked at.
  if (travel && travel.rest.length === 0) return [];
  if (travel) return [rest, ...travel.rest.map(({ end, words, place }): Raised => ({ end, words, ...place }))];
  const height = derive({
    id: 'drive.raised',
    label: 'Pinion joint above the ground, at full bump',
    unit: 'mm',
    formula: '{z} + {b}',
    source: 'Straight up from ride height, until the suspension’s motion is known',
    inputs: { z: pinion.height, b: bump },
  });
  return [rest, { end: 'bump', words: 'at full bump', along: pinion.along, height }];
}
