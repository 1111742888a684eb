import {
  compared,
  judge,
  keeps,
  told,
  unknownCheck,
  type Check,
  type CheckLimit,
  type FigureOf,
  type LimitsOf,
} from '../../stage';
import { SIDES, sideName, type Side, type Sided } from '../../geometry';
import { derive, expandedUncertainty, type Figure } from '../../measure';
import { formatLength } from '../../units';
import type { EndsResult } from './ends-stage';
import type { LearnedResult } from './learned-stage';
import type { MarksResult, SideMarks } from './marks-stage';
import type { SchoolPlan } from './school-stage';
import { clockName, type FaceSquare, type SquareResult } from './square-stage';
import type { StandResult } from './stand-stage';
import type { cut } from './words';
import { CLOCKS } from './square-quantities';
import type { CutMethod } from './choices';

type Limits = LimitsOf<typeof cut>;
type Maybe = Figure | undefined;

export interface CutChecksInput {
  readonly plan: SchoolPlan | undefined;
  readonly marks: MarksResult;
  readonly square: SquareResult;
  readonly method: CutMethod;
  readonly targetWidth: Maybe;
  readonly tube: Readonly<Record<Side, Maybe>>;
  readonly ends: EndsResult;
  readonly stand: StandResult;
  readonly learned: LearnedResult;
  /** Tube left beside the spring seats, mm. */
  readonly perch: Sided<Maybe>;
  /** Readings round the end faces, by quantity. */
  readonly faces: FigureOf<typeof cut>;
}

/** Checks of the cut, of what was read after it, and of the squareness readings. */
export function cutChecks(input: CutChecksInput, limits: Limits): Check[] {
  const checks: Check[] = [...endsChecks(input.ends)];
  if (input.plan) checks.push(...widthChecks(input, input.plan, limits));
  for (const side of SIDES) {
    checks.push(...workChecks(input, side));
    const marks = input.marks.marks[side];
    if (marks) checks.push(...markChecks(marks, side, input.method, limits));
    checks.push(...perchChecks(input.perch[side], side), ...afterChecks(input.learned, side, limits));
    const face = input.square.latest[side];
    if (face) checks.push(...faceChecks(face, side, limits));
    checks.push(...halfReadFaces(input, side));
  }
  return checks;
}

/** Other ends whose size is not known: nothing that rests on them can be cut or ordered. */
function endsChecks({ lacks, changed }: EndsResult): Check[] {
  const missing = [...new Set(SIDES.flatMap((side) => lacks[side].half))].filter(
    (id) => !id.startsWith('donor.half'),
  );
  if (!changed || missing.length === 0) return [];
  return [
    unknownCheck({
      id: 'cut.ends',
      stage: 'cut',
      unknown: 'Size of the new ends: not known',
      reason: 'Other ends move the wheel’s face: cut, width and shafts are not known without their size.',
      at: missing[0] ?? 'convert.space',
      lacks: missing,
    }),
  ];
}

function widthChecks({ targetWidth: W, stand }: CutChecksInput, plan: SchoolPlan, limits: Limits): Check[] {
  if (!W) return [];
  const measured = stand.by.left ?? stand.by.right;
  const now = stand.width ?? plan.width;
  const off = derive({
    id: 'cut.widthOff',
    label: 'WMS width against the width wanted',
    unit: 'mm',
    formula: '{W_now} − {W}',
    source: measured
      ? 'As measured after the work, less the width wanted'
      : 'As planned, less the width wanted',
    inputs: { W_now: now, W },
  });
  const perSide = formatLength(Math.abs(off.value) / 2, { unit: 'mm', digits: 2 });
  return [
    judge({
      id: 'cut.width',
      stage: 'cut',
      figure: off,
      way: 'within',
      limit: limits('cut.width'),
      holds: 'Ends at the width wanted',
      fails: `Ends ${off.value > 0 ? 'wider' : 'narrower'} than the width wanted`,
      unknown: 'The width it ends at: not known',
      todo: `Make up ${perSide} mm a side with the wheel’s offset (${off.value > 0 ? 'more' : 'less'} ET), or choose another way to cut.`,
      reason: 'The wheels stand where the width puts them; arch and rail clearance follow.',
      at: 'brief.targetWidth',
    }),
  ];
}

function workChecks({ plan, tube, method }: CutChecksInput, side: Side): Check[] {
  // New tubes are cut to any length; what is missing is no metal of the donor’s.
  if (!plan || method === 'newTubes') return [];
  const cut = plan.cut[side];
  const T = tube[side];
  if (plan.work[side] === 'widen')
    return [
      {
        id: `cut.widen.${side}`,
        stage: 'cut',
        level: 'stop',
        title: `${sideName(side)} side would have to be widened`,
        figure: { value: -cut.value, unit: 'mm', figureId: cut.id },
        reason: 'The donor’s half is shorter than the new half: there is nothing to cut off, metal is missing.',
        todo: 'Take another way to cut, a narrower width, or other tubes and shafts on this side.',
        at: 'brief.targetWidth',
      },
    ];
  if (!T || cut.value < T.value) return [];
  return [
    {
      id: `cut.tooLong.${side}`,
      stage: 'cut',
      level: 'stop',
      title: `${sideName(side)} cut is longer than the tube`,
      figure: compared(cut),
      reason: `The tube is only ${formatLength(T.value, { unit: 'mm' })} mm from casting to housing end.`,
      todo: 'Check the half and the tube readings, or choose a wider target.',
      at: `donor.tube.${side}`,
    },
  ];
}

function markChecks(marks: SideMarks, side: Side, method: CutMethod, limits: Limits): Check[] {
  const name = sideName(side);
  const slug: Check = judge({
    id: `cut.slug.${side}`,
    stage: 'cut',
    figure: marks.slug,
    way: 'atLeast',
    limit: limits('cut.slug'),
    beyond: 'stop',
    holds: `${name} slug is wide enough for two cuts`,
    fails: `${name} slug is too thin to cut out`,
    unknown: `${name} slug: not known`,
    todo: 'Face the end on a lathe instead of sawing, use a thinner blade, or choose a way that cuts more here.',
    reason: 'Two kerfs have to fit between the marks with a ring of metal left to hold and to measure.',
    at: 'cut.kerf',
  });
  return [
    nearCheck(side, limits('cut.fromCasting'), {
      id: 'cut.fromCasting',
      from: 'the casting',
      figure: marks.inner.fromCasting,
      at: `cut.mark.${side}`,
    }),
    nearCheck(side, limits('cut.fromHousingEnd'), {
      id: 'cut.fromHousingEnd',
      from: 'the housing end',
      figure: marks.toEnd,
      at: method === 'endOff' ? `cut.endPiece.${side}` : `cut.mark.${side}`,
    }),
    slug,
  ];
}

interface Nearness {
  readonly id: string;
  /** What the cut comes near to. */
  readonly from: string;
  /** Distance left, mm. */
  readonly figure: Figure;
  readonly at: string;
}

function nearCheck(side: Side, limit: CheckLimit, { id, from, figure, at }: Nearness): Check {
  const what = `${sideName(side)} cut`;
  return judge({
    id: `${id}.${side}`,
    stage: 'cut',
    figure,
    way: 'atLeast',
    limit,
    beyond: 'stop',
    holds: `${what} is clear of ${from}`,
    fails: `${what} is too near ${from}`,
    unknown: `${what}’s distance from ${from}: not known`,
    todo: `Move the mark so that ${formatLength(limit.value, { unit: 'mm', digits: 0 })} mm stay to ${from}, or cut less on this side.`,
    reason: 'A weld beside another weld or a casting cracks, and a fit or bearing seat must not be heated.',
    at,
  });
}

/** A spring seat has to stand on the tube that is left. */
function perchChecks(room: Maybe, side: Side): Check[] {
  if (!room) return [];
  return [
    {
      id: `cut.perch.${side}`,
      stage: 'cut',
      ...told(keeps('atLeast', room.value, 0, 'mm') ? 'ok' : 'stop', {
        holds: `${sideName(side)} spring seat stands on the tube that is left`,
        fails: `${sideName(side)} spring seat does not fit on the tube that is left`,
        todo: 'Take another width or pinion place, or move the spring; a seat cannot hang over casting or housing end.',
      }),
      figure: compared(room),
      reason: 'The seats stand where the car’s springs are, however short the tube gets.',
      at: 'spring.spacing',
    },
  ];
}

/** The tube as read after the work: a little off is told, what no weld can do is a wrong reading. */
function afterChecks({ tackedOff, weldedOff }: LearnedResult, side: Side, limits: Limits): Check[] {
  const [figure, phase] = weldedOff[side] ? [weldedOff[side], 'welded'] : [tackedOff[side], 'tacked'];
  if (!figure) return [];
  const at = `after.${phase}.${side}`;
  const check = judge({
    id: `after.${side}`,
    stage: 'cut',
    figure,
    way: 'within',
    limit: limits('after.length'),
    stop: limits('after.absurd'),
    holds: `${sideName(side)} tube is ${phase} as long as wanted`,
    fails: (level) =>
      level === 'stop'
        ? `${sideName(side)} tube, ${phase}: read far off what it can be`
        : `${sideName(side)} tube is ${phase} too ${figure.value > 0 ? 'long' : 'short'}`,
    unknown: `${sideName(side)} tube after the work: not known`,
    todo: (level) =>
      level === 'stop'
        ? 'Read it again, casting face to housing-end face; if it is right, the plan or the mark was wrong: nothing goes on until that is found.'
        : 'Width, shafts and clearances follow what was read: look at them, and mend it or accept it with a reason.',
    reason: 'What was measured after a step replaces what was planned.',
    at,
  });
  return [check.level === 'stop' ? { ...check, contradicts: [at] } : check];
}

/** Some readings round a face, but not enough for its plane. */
function halfReadFaces({ square, faces }: CutChecksInput, side: Side): Check[] {
  return (['tacked', 'welded'] as const).flatMap((phase): Check[] => {
    if (square.sets[side][phase]) return [];
    const ids = CLOCKS.map((c) => `square.${side}.${phase}.${c.id}` as const);
    if (!ids.some((id) => faces(id))) return [];
    const open = (['top', 'front', 'bottom', 'rear'] as const).map(
      (c) => `square.${side}.${phase}.${c}` as const,
    );
    const lacks = ([`square.${side}.radius`, ...open] as const).filter((id) => !faces(id));
    return [
      unknownCheck({
        id: `square.${phase}.${side}`,
        stage: 'cut',
        unknown: `${sideName(side)} end’s squareness, ${phase}: not known yet`,
        reason: 'A plane takes three places round the face and the radius where they were read.',
        at: lacks[0] ?? ids[0] ?? '',
        lacks,
      }),
    ];
  });
}

function faceChecks(face: FaceSquare, side: Side, limits: Limits): Check[] {
  const checks = [
    angleCheck('camber', face, face.camber, side, limits),
    angleCheck('toe', face, face.toe, side, limits),
  ];
  const limit = limits('square.camber');
  const U = expandedUncertainty(face.camber);
  if (U <= limit.value) return checks;
  return [
    ...checks,
    {
      id: `square.resolution.${side}`,
      stage: 'cut',
      level: 'caution',
      title: `Squareness, ${side}: the readings cannot tell`,
      figure: { value: U, unit: 'rad', figureId: face.camber.id },
      limit,
      reason: 'The instrument’s own uncertainty is larger than the limit it is to prove.',
      todo: 'Read with a caliper or a dial indicator, or at a larger radius, and repeat each reading.',
      at: `square.${side}.${face.phase}.top`,
    },
  ];
}

function angleCheck(
  kind: 'camber' | 'toe',
  face: FaceSquare,
  figure: Figure,
  side: Side,
  limits: Limits,
): Check {
  const soft = limits(`square.${kind}`);
  const hard = limits('square.stop');
  return judge({
    id: `square.${kind}.${side}`,
    stage: 'cut',
    figure,
    way: 'within',
    limit: soft,
    stop: hard.value > soft.value ? hard : soft,
    holds: `${sideName(side)} end is square in ${kind}`,
    fails: `${kind === 'camber' ? 'Camber' : 'Toe'} from the ${side} cut`,
    unknown: `${sideName(side)} end’s ${kind}: not known`,
    todo: mendAdvice(face),
    reason: 'The wheel stands as the end face stands: it wears the tyre and loads the bearing and spline.',
    at: `square.${side}.${face.phase}.top`,
  });
}

function mendAdvice({ phase, farthestRad, mend }: FaceSquare): string {
  const open = clockName(farthestRad + Math.PI);
  const by = mend
    ? `${formatLength(mend.value, { unit: 'mm', digits: 2 })} mm`
    : 'tilt times the tube’s outside diameter, which is not read yet,';
  return phase === 'welded'
    ? `Do not heat or bend by eye: have the housing straightened on an alignment bar (${by} across the tube, short at the ${open}), then read again.`
    : `Open the tack at the ${open} by ${by} and read again, or accept it with a reason.`;
}

/** Sides that stand by a reading after the work, in words: `left welded`. */
export const standWords = ({ by }: { readonly by: Sided<string | undefined> }): readonly string[] =>
  SIDES.flatMap((side) => (by[side] ? [`${side} ${by[side]}`] : []));
