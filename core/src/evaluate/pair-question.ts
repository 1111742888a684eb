import { isPlanned } from '../cut';
import { bySide } from '../geometry';
import type { Plan } from '../plan';
import type { PairAxle, PairTarget, ShaftWanted } from '../shafts';
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
  const { half, shaft } = results.ends;
  const lacks = [
    half.left ? '' : 'donor.half.left',
    half.right ? '' : 'donor.half.right',
    shaft.left ? '' : 'donor.shaft.left',
    shaft.right ? '' : 'donor.shaft.right',
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
      leastHalf: bySide((side) => leastOf(of, side, value(side))),
    },
    target: targetOf(plan, results),
  };
}

function wantedOf({ choices }: Plan, of: (id: string) => number | undefined): ShaftWanted {
  const [pitch, journal, gear] = [
    of('donor.splinePitch'),
    of('new.journal') ?? of('donor.journal'),
    of('donor.sideGearSpline'),
  ];
  // An adapter or a re-drilled flange takes the wheel whatever the shaft brings.
  const own = choices.pattern === 'undecided' || choices.pattern === 'shafts';
  const [holes, pcd] = [of('car.wheelHoles'), of('car.wheelPcd')];
  return {
    teeth: of('new.teeth') ?? of('donor.splineTeeth') ?? 0,
    ...(pitch === undefined ? {} : { pitch }),
    ...(journal === undefined ? {} : { journal }),
    ...(own && holes !== undefined && pcd !== undefined ? { holes, pcd } : {}),
    ...(gear === undefined ? {} : { spline: gear }),
  };
}

/** Least that a half may become: the tube keeps what must stay at the casting and at its end. */
function leastOf(of: (id: string) => number | undefined, side: 'left' | 'right', half: number): number {
  const tube = of(`donor.tube.${side}`);
  return tube === undefined ? 0 : half - Math.max(0, tube - LEAST_TUBE);
}

/** Tube that must be left: forty to the casting and forty to the end, and the weld between, mm. */
const LEAST_TUBE = 90;

function targetOf(plan: Plan, { schools, known }: Results): PairTarget {
  const width = known['brief.targetWidth']?.figure.value ?? 0;
  const wanted = schools.find((s) => s.school === 'driveline');
  const pinion =
    wanted && isPlanned(wanted) && plan.choices.school === 'driveline' ? wanted.pinion.value : undefined;
  return { width, ...(pinion === undefined ? {} : { pinion }) };
}
