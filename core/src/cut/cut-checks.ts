import { told, compared, limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { SIDES, sideName, type Side } from '../geometry';
import { expandedUncertainty, type Figure } from '../measure';
import type { CutMethod } from '../plan';
import { formatLength } from '../units';
import type { MarksResult, SideMarks } from './marks-stage';
import type { SchoolPlan } from './school-stage';
import { clockName, type FaceSquare, type SquareResult } from './square-stage';

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

export interface CutChecksInput {
  readonly plan: SchoolPlan | undefined;
  readonly marks: MarksResult;
  readonly square: SquareResult;
  readonly method: CutMethod;
  readonly targetWidth: Figure | undefined;
  readonly tube: Readonly<Record<Side, Figure | undefined>>;
}

/** Checks of the cut and of the squareness readings. */
export function cutChecks(input: CutChecksInput, limits: Changes): Check[] {
  const checks: Check[] = [];
  if (input.plan) checks.push(...widthChecks(input.plan, input.targetWidth, limits));
  for (const side of SIDES) {
    checks.push(...workChecks(input, side));
    const marks = input.marks.marks[side];
    if (marks) checks.push(...markChecks(marks, side, input.method, limits));
    const face = input.square.latest[side];
    if (face) checks.push(...faceChecks(face, side, limits));
  }
  return checks;
}

function widthChecks(plan: SchoolPlan, target: Figure | undefined, limits: Changes): Check[] {
  if (!target) return [];
  const limit = limitOf(limits, 'cut.width');
  const off = plan.width.value - target.value;
  const over = Math.abs(off) > limit.value;
  const perSide = formatLength(Math.abs(off) / 2, { unit: 'mm', digits: 2 });
  return [
    {
      id: 'cut.width',
      stage: 'cut',
      ...told(over ? 'caution' : 'ok', {
        holds: 'Ends at the width wanted',
        fails: `Ends ${off > 0 ? 'wider' : 'narrower'} than the width wanted`,
        todo: `Make up ${perSide} mm a side with the wheel’s offset (${off > 0 ? 'more' : 'less'} ET), or choose another way to cut.`,
      }),
      figure: { value: off, unit: 'mm', figureId: plan.width.id },
      limit,
      reason: 'The wheels stand where the width puts them; arch and rail clearance follow.',
      at: 'brief.targetWidth',
    },
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

function markChecks(marks: SideMarks, side: Side, method: CutMethod, limits: Changes): Check[] {
  const inner = marks.inner.fromCasting;
  const name = sideName(side);
  const checks: Check[] = [
    nearCheck(side, limitOf(limits, 'cut.fromCasting'), {
      id: 'cut.fromCasting',
      from: 'the casting',
      figure: inner,
      value: inner.value,
    }),
  ];
  if (method === 'slug') {
    const outer = marks.outer.fromCasting;
    const left = marks.tube.value - outer.value;
    checks.push(
      nearCheck(side, limitOf(limits, 'cut.fromHousingEnd'), {
        id: 'cut.fromHousingEnd',
        from: 'the housing end',
        figure: outer,
        value: left,
      }),
    );
  }
  const limit = limitOf(limits, 'cut.slug');
  const thin = marks.slug.value < limit.value;
  checks.push({
    id: `cut.slug.${side}`,
    stage: 'cut',
    ...told(thin ? 'stop' : 'ok', {
      holds: `${name} slug is wide enough for two cuts`,
      fails: `${name} slug is too thin to cut out`,
      todo: 'Face the end on a lathe instead of sawing, use a thinner blade, or choose a way that cuts more here.',
    }),
    figure: compared(marks.slug),
    limit,
    reason: 'Two kerfs have to fit between the marks with a ring of metal left to hold and to measure.',
    at: 'cut.kerf',
  });
  return checks;
}

interface Nearness {
  readonly id: string;
  /** What the cut comes near to. */
  readonly from: string;
  readonly figure: Figure;
  /** Distance left, mm. */
  readonly value: number;
}

function nearCheck(side: Side, limit: ReturnType<typeof limitOf>, nearness: Nearness): Check {
  const { id, from, figure, value } = nearness;
  const near = value < limit.value;
  const what = `${sideName(side)} cut`;
  return {
    id: `${id}.${side}`,
    stage: 'cut',
    ...told(near ? 'stop' : 'ok', {
      holds: `${what} is clear of ${from}`,
      fails: `${what} is too near ${from}`,
      todo: `Move the mark so that ${formatLength(limit.value, { unit: 'mm', digits: 0 })} mm stay to ${from}, or cut less on this side.`,
    }),
    figure: { value, unit: 'mm', figureId: figure.id },
    limit,
    reason: 'A weld beside another weld or a casting cracks, and the casting’s press fit must not be heated.',
    at: `cut.mark.${side}`,
  };
}

function faceChecks(face: FaceSquare, side: Side, limits: Changes): Check[] {
  const checks = [
    angleCheck('camber', face, face.camber, side, limits),
    angleCheck('toe', face, face.toe, side, limits),
  ];
  const limit = limitOf(limits, 'square.camber');
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
  limits: Changes,
): Check {
  const soft = limitOf(limits, `square.${kind}`);
  const hard = limitOf(limits, 'square.stop');
  const size = Math.abs(figure.value);
  const stop = size > hard.value && size > soft.value;
  const level = stop ? 'stop' : size > soft.value ? 'caution' : 'ok';
  const open = clockName(face.farthestRad + Math.PI);
  const by = formatLength(face.mend.value, { unit: 'mm', digits: 2 });
  return {
    id: `square.${kind}.${side}`,
    stage: 'cut',
    ...told(level, {
      holds: `${sideName(side)} end is square in ${kind}`,
      fails: `${kind === 'camber' ? 'Camber' : 'Toe'} from the ${side} cut`,
      todo: mendAdvice(face.phase, open, by),
    }),
    figure: compared(figure),
    limit: stop ? hard : soft,
    reason: 'The wheel stands as the end face stands: it wears the tyre and loads the bearing and spline.',
    at: `square.${side}.${face.phase}.top`,
  };
}

function mendAdvice(phase: FaceSquare['phase'], open: string, by: string): string {
  return phase === 'welded'
    ? `Do not heat or bend by eye: have the housing straightened on an alignment bar (${by} mm across the face, short at the ${open}), then read again.`
    : `Open the tack at the ${open} by ${by} mm and read again, or accept it with a reason.`;
}
