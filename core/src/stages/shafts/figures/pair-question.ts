import { type PlaceId, unless } from '../../../stage';
import { ends } from '../../cut/figures/ends';
import { schools } from '../../cut/figures/schools';
import { isPlanned } from '../../cut/school-stage';
import { bySide, SIDES, type Side } from '../../../geometry';
import type { Figure } from '../../../measure';
import { node, type Reads } from '../node';
import type { DrillWanted, PairAxle, PairTarget, ShaftWanted } from '../stock-pairs';

/** What the search for stock shafts asks: what a shaft must be, the axle it goes into, and where it should end up. */
export interface PairQuestion {
  readonly wanted: ShaftWanted;
  readonly axle: PairAxle;
  readonly target: PairTarget;
}

/** The question, or the quantities it still lacks. */
export const pairQuestion = node('pairQuestion', (r): PairQuestion | { readonly lacks: readonly PlaceId[] } => {
  const { half, shaft, lacks: open } = r.of(ends);
  const lacks: readonly PlaceId[] = [
    ...new Set(SIDES.flatMap((side) => [...open[side].half, ...open[side].shaft])),
    ...unless(r.figure('donor.splineTeeth'), 'donor.splineTeeth'),
    ...unless(r.figure('brief.targetWidth'), 'brief.targetWidth'),
  ];
  if (lacks.length) return { lacks };
  const value = (side: 'left' | 'right') => half[side]?.value ?? Number.NaN;
  return {
    wanted: r.of(shaftWanted),
    axle: {
      half: bySide(value),
      shaft: bySide((side) => shaft[side]?.value ?? Number.NaN),
      leastHalf: bySide((side) => leastOf(r, side, value(side))),
    },
    target: targetOf(r),
  };
});

const valueOf = (figure: Figure | undefined): number | undefined => figure?.value;

/** What a stock shaft must be for this axle, as it stands by now. */
export const shaftWanted = node('shaftWanted', (r): ShaftWanted => wantedOf(r));

function wantedOf(r: Reads): ShaftWanted {
  const [route, retention] = [r.choice('pattern'), r.choice('retentionTo')];
  const hole = valueOf(r.figure('redrill.hole') ?? r.figure('donor.flangeHole'));
  // New shafts with the wheel’s own pattern are not drilled again.
  const drills = route !== 'shafts' && hole !== undefined;
  return {
    teeth: valueOf(r.figure('new.teeth') ?? r.figure('donor.splineTeeth')) ?? 0,
    ...(retention === 'unsaid' ? {} : { retention }),
    ...given({
      pitch: valueOf(r.figure('new.pitch') ?? r.figure('donor.splinePitch')),
      journal: valueOf(r.figure('new.journal') ?? r.figure('donor.journal')),
      journalUnder: r.limit('cond.journal').value,
      spline: valueOf(r.figure('donor.sideGearSpline')),
      // An adapter takes the wheel whatever the shaft brings.
      ...(route === 'adapter'
        ? {}
        : { holes: valueOf(r.figure('car.wheelHoles')), pcd: valueOf(r.figure('car.wheelPcd')) }),
      // Full-float shafts only drive: bearing and seal sit on the hub.
      ...(retention === 'fullFloat' ? {} : ringsOf(r)),
    }),
    ...(drills ? { drill: drillWanted(r, hole) } : {}),
  };
}

const ringsOf = (r: Reads) => ({
  bearingBore: valueOf(r.figure('donor.bearingBore')),
  bearingRoom: valueOf(r.figure('donor.bearingWidth')),
  sealJournal: valueOf(r.figure('donor.sealJournal')),
});

/** What is known of these sizes. */
const given = <K extends string>(sizes: Readonly<Partial<Record<K, number | undefined>>>) =>
  Object.fromEntries(Object.entries(sizes).filter(([, value]) => value !== undefined)) as Partial<
    Record<K, number>
  >;

const drillWanted = (r: Reads, hole: number): DrillWanted => ({
  hole,
  ligament: r.limit('pattern.ligament').value,
  ligamentShare: r.limit('pattern.ligamentShare').value,
  edgeShare: r.limit('pattern.rim').value,
});

/** Least that a half may become: the tube keeps what must stay at the casting and at its end, and the weld between. */
function leastOf(r: Reads, side: Side, half: number): number {
  const tube = valueOf(r.figure(`donor.tube.${side}`));
  const kept =
    r.limit('cut.fromCasting').value +
    r.limit('cut.fromHousingEnd').value +
    (valueOf(r.figure('cut.gap')) ?? 0);
  return tube === undefined ? 0 : half - Math.max(0, tube - kept);
}

function targetOf(r: Reads): PairTarget {
  const width = valueOf(r.figure('brief.targetWidth')) ?? 0;
  const wanted = r.of(schools).find((s) => s.school === 'driveline');
  const pinion =
    wanted && isPlanned(wanted) && r.choice('school') === 'driveline' ? wanted.pinion.value : undefined;
  return { width, ...(pinion === undefined ? {} : { pinion }) };
}
