import { limitValue } from '../checks';
import { isPlanned } from '../stages/cut';
import { bySide, SIDES } from '../geometry';
import type { Plan } from '../plan';
import type { DrillWanted, PairAxle, PairTarget, ShaftWanted } from '../stages/shafts';
import type { Results } from './results';

/** What the search for stock shafts asks: what a shaft must be, the axle it goes into, and where it should end up. */
export interface PairQuestion {
  readonly wanted: ShaftWanted;
  readonly axle: PairAxle;
  readonly target: PairTarget;
}

/** The question, or the quantities it still lacks. */
export function pairQuestion(
  plan: Plan,
  results: Results,
): PairQuestion | { readonly lacks: readonly string[] } {
  const of = (id: string) => results.known[id]?.figure.value;
  const { half, shaft, lacks: open } = results.ends;
  const lacks = [
    ...new Set(SIDES.flatMap((side) => [...open[side].half, ...open[side].shaft])),
    of('donor.splineTeeth') === undefined ? 'donor.splineTeeth' : '',
    of('brief.targetWidth') === undefined ? 'brief.targetWidth' : '',
  ].filter(Boolean);
  if (lacks.length) return { lacks };
  const value = (side: 'left' | 'right') => half[side]?.value ?? Number.NaN;
  return {
    wanted: wantedOf(plan, of),
    axle: {
      half: bySide(value),
      shaft: bySide((side) => shaft[side]?.value ?? Number.NaN),
      leastHalf: bySide((side) => leastOf(plan.limits, of, side, value(side))),
    },
    target: targetOf(plan, results),
  };
}

type Of = (id: string) => number | undefined;

function wantedOf({ choices, limits }: Plan, of: Of): ShaftWanted {
  const hole = of('redrill.hole') ?? of('donor.flangeHole');
  // New shafts with the wheel’s own pattern are not drilled again.
  const drills = choices.pattern !== 'shafts' && hole !== undefined;
  return {
    teeth: of('new.teeth') ?? of('donor.splineTeeth') ?? 0,
    retention: choices.retentionTo,
    ...given({
      pitch: of('new.pitch') ?? of('donor.splinePitch'),
      journal: of('new.journal') ?? of('donor.journal'),
      journalUnder: limitValue(limits, 'cond.journal'),
      spline: of('donor.sideGearSpline'),
      // An adapter takes the wheel whatever the shaft brings.
      ...(choices.pattern === 'adapter' ? {} : { holes: of('car.wheelHoles'), pcd: of('car.wheelPcd') }),
      // Full-float shafts only drive: bearing and seal sit on the hub.
      ...(choices.retentionTo === 'fullFloat' ? {} : ringsOf(of)),
    }),
    ...(drills ? { drill: drillWanted(limits, hole) } : {}),
  };
}

const ringsOf = (of: Of) => ({
  bearingBore: of('donor.bearingBore'),
  bearingRoom: of('donor.bearingWidth'),
  sealJournal: of('donor.sealJournal'),
});

/** What is known of these sizes. */
const given = <K extends string>(sizes: Readonly<Partial<Record<K, number | undefined>>>) =>
  Object.fromEntries(Object.entries(sizes).filter(([, value]) => value !== undefined)) as Partial<
    Record<K, number>
  >;

const drillWanted = (limits: Plan['limits'], hole: number): DrillWanted => ({
  hole,
  ligament: limitValue(limits, 'pattern.ligament'),
  ligamentShare: limitValue(limits, 'pattern.ligamentShare'),
  edgeShare: limitValue(limits, 'pattern.rim'),
});

/** Least that a half may become: the tube keeps what must stay at the casting and at its end, and the weld between. */
function leastOf(limits: Plan['limits'], of: Of, side: 'left' | 'right', half: number): number {
  const tube = of(`donor.tube.${side}`);
  const kept =
    limitValue(limits, 'cut.fromCasting') + limitValue(limits, 'cut.fromHousingEnd') + (of('cut.gap') ?? 0);
  return tube === undefined ? 0 : half - Math.max(0, tube - kept);
}

function targetOf(plan: Plan, { schools, known }: Results): PairTarget {
  const width = known['brief.targetWidth']?.figure.value ?? 0;
  const wanted = schools.find((s) => s.school === 'driveline');
  const pinion =
    wanted && isPlanned(wanted) && plan.choices.school === 'driveline' ? wanted.pinion.value : undefined;
  return { width, ...(pinion === undefined ? {} : { pinion }) };
}
