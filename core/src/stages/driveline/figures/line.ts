import { assumedAs, derive, given, sized, type Figure, type Maybe } from '../../../measure';
import { asks, waitsFor, type PlaceId } from '../../../stage';
import { chosen, school } from '../../cut/figures/schools';
import { stand } from '../../cut/figures/stand';
import { isPlanned } from '../../cut/school-stage';
import { angles } from '../../survey/figures/car';
import type { Line, Place } from '../line-at';
import { node, type Reads } from '../node';

/** A driveline as far as it is known: all of it, or what is missing. */
export interface KnownLine {
  readonly line?: Line;
  /** Quantities without which it is not known. */
  readonly lacks: readonly PlaceId[];
  /** Why what was read cannot be a driveline, and what was read so. */
  readonly impossible?: { readonly why: string; readonly readings: readonly PlaceId[] };
}

/** The gearbox’s slope against level, however the gauge was zeroed. */
export const gearboxSlope = node(
  'gearboxSlope',
  (r): Maybe => r.of(angles).find(({ id }) => id === 'angle.gearbox')?.slope,
);

/** Where the pinion lies from the car’s centreline: as it stands by now, as it is planned, or as it is in the old axle. */
export const pinionSide = node('pinionSide', (r): Maybe => {
  const { open, pinion } = r.of(stand);
  const [y, o] = [open ? undefined : (pinion ?? r.of(school)?.pinion), r.figure('stance.offCentre')];
  if (!y || !o) return undefined;
  return derive({
    id: 'drive.pinionSide',
    label: 'Pinion from the car’s centreline',
    unit: 'mm',
    formula: '{y} + {o}',
    source: 'The pinion’s place between the wheels, and the axle’s place in the car',
    inputs: { y, o },
  });
});

/** What the pinion’s place lacks. */
const pinionLacks = node('pinionLacks', (r): readonly PlaceId[] => {
  const way = r.of(chosen);
  return way && !isPlanned(way) ? way.lacks : ['brief.targetWidth'];
});

/** Revolutions of the driveshaft at its fastest: as said, or by the engine’s curve through the highest gear. */
export const fastest = node('fastest', (r): Maybe => {
  const said = r.figure('drive.rpm');
  if (said) return said;
  const [gears, curve] = [r.field('brief', 'gears'), r.field('brief', 'torqueCurve')];
  const top = curve.at(-1)?.rpm;
  if (top === undefined || gears.length === 0) return undefined;
  return fastestBy(top, Math.min(...gears));
});

function fastestBy(rpm: number, gear: number): Figure {
  const why = 'the torque curve’s last speed, in the highest gear';
  const n = given('drive.engineTop', 'Engine at its fastest', rpm, 0, 'rpm', {
    source: 'Last point of the torque curve',
    waits: waitsFor(['gearbox']),
  });
  const i = given('drive.topGear', 'Highest gear', gear, 0, 'count', {
    source: 'Gearbox ratios',
    waits: waitsFor(['gearbox']),
  });
  const made = derive({
    id: 'drive.fastest',
    label: 'Driveshaft at its fastest',
    unit: 'rpm',
    formula: '{n}/{i}',
    source: 'Engine’s speed through the highest gear',
    inputs: { n, i },
  });
  return assumedAs(made, 'drive.rpm', 'Driveshaft at its fastest', why);
}

const GEARBOX = ['drive.along', 'survey.gearbox', 'drive.height'] as const;
const CENTRE = ['drive.centre.along', 'drive.centre.side', 'drive.centre.height'] as const;
const AXLE = ['drive.axleHeight', 'drive.nose', 'drive.drop'] as const;

/** How far forward of where it was read from the axle is moved, mm, once that is chosen. */
export const axleMoved = asks<Figure>('driveline.axleMoved');

/** A place of the car, from the axle as it will stand. */
function placeOf(r: Reads, [along, side, height]: typeof GEARBOX | typeof CENTRE): Place | undefined {
  const [x, y, z] = [r.figure(along), r.figure(side), r.figure(height)];
  if (!x || !y || !z) return undefined;
  const s = r.of(axleMoved);
  if (!s) return { along: x, side: y, height: z };
  const nearer = derive({
    id: `${along}.moved`,
    label: `${x.label}, from the axle as it is moved`,
    unit: 'mm',
    formula: '{x} − {s}',
    source: 'Read with the axle in the middle hole of its plates; they move it forward by so much',
    inputs: { x, s },
  });
  return { along: nearer, side: y, height: z };
}

/** Shafts shorter than this are none, mm. */
const SHORTEST = 60;

/** Each joint lies before the next one, or it was measured wrongly. */
function backwards(
  gearbox: Place,
  centre: Place | undefined,
  nose: Figure,
  drop: Figure,
): KnownLine['impossible'] {
  const pinion = nose.value + Math.abs(drop.value);
  const [front, rear] = [gearbox.along.value, centre?.along.value];
  const tell = (what: string, before: number, behind: number, readings: readonly PlaceId[]) =>
    before - behind < SHORTEST
      ? { why: `${what}: ${sized(before)} and ${sized(behind)} forward of the axle.`, readings }
      : undefined;
  if (rear === undefined)
    return tell('The gearbox’s joint does not lie before the pinion’s', front, pinion, [
      'drive.along',
      'drive.nose',
    ]);
  return (
    tell('The gearbox’s joint does not lie before the centre one', front, rear, [
      'drive.along',
      'drive.centre.along',
    ]) ??
    tell('The centre joint does not lie before the pinion’s', rear, pinion, [
      'drive.centre.along',
      'drive.nose',
    ])
  );
}

/** What every driveline has beside its places. */
function angledBy(r: Reads): Omit<Line, 'gearbox' | 'centre' | 'even'> | undefined {
  const [slope, pinionAt] = [r.of(gearboxSlope), r.of(pinionSide)];
  const [axleHeight, nose, drop] = AXLE.map((id) => r.figure(id));
  const [plan, pinionPlan, phase] = (['drive.plan', 'drive.pinionPlan', 'drive.phase'] as const).map((id) =>
    r.figure(id),
  );
  if (!slope || !pinionAt || !axleHeight || !nose) return undefined;
  if (!drop || !plan || !pinionPlan || !phase) return undefined;
  return {
    gearboxSlope: slope,
    gearboxPlan: plan,
    axleHeight,
    nose,
    drop,
    pinionSide: pinionAt,
    pinionPlan,
    phase,
  };
}

/** The driveline, whatever the pinion’s slope; what is missing of it. */
export const line = node('line', (r): KnownLine => {
  const two = r.choice('pieces') === 'two';
  const lacks: PlaceId[] = [...GEARBOX, ...(two ? CENTRE : []), ...AXLE].filter((id) => !r.figure(id));
  if (!r.of(gearboxSlope)) lacks.unshift('angle.gearbox');
  if (!r.of(pinionSide)) lacks.push(...r.of(pinionLacks));
  const [gearbox, centre] = [placeOf(r, GEARBOX), two ? placeOf(r, CENTRE) : undefined];
  const rest = angledBy(r);
  if (lacks.length || !gearbox || !rest) return { lacks };
  const impossible = backwards(gearbox, centre, rest.nose, rest.drop);
  if (impossible) return { lacks: [], impossible };
  const even = r.choice('aim') === 'cv';
  return { lacks: [], line: { ...rest, gearbox, even, ...(centre ? { centre } : {}) } };
});
