import { judge, type Check, type CheckLimit, type PlaceId, judgeFact } from '../../stage';
import { SIDES, sideName, type Side, type Sided } from '../../geometry';
import { derive, type Figure, type Maybe, sized } from '../../measure';
import { type EndsResult } from './ends-stage';
import { type LearnedResult } from './learned-stage';
import { type SideMarks } from './marks-result';
import { type SchoolPlan } from './school-stage';
import { type CutMethod } from './choices';
import { faceChecks, halfReadFaces } from './face-checks';
import { type CutChecksInput, type CutLimits } from './checks-input';

/** Checks of the cut, of what was read after it, and of the squareness readings. */
export function cutChecks(input: CutChecksInput, limits: CutLimits): Check[] {
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
  if (!changed) return [];
  const missing = [...new Set(SIDES.flatMap((side) => lacks[side].ends))];
  return [
    judgeFact({
      id: 'cut.ends',
      stage: 'cut',
      rests: { 'choice.retentionTo': changed, ends: missing.length ? undefined : 'said' },
      holds: 'Size of the new ends is known',
      unknown: 'Size of the new ends: not known',
      reason: 'Other ends move the wheel’s face: cut, width and shafts are not known without their size.',
      at: missing[0] ?? 'convert.space',
      lacks: missing,
    }),
  ];
}

function widthChecks({ targetWidth: W, stand }: CutChecksInput, plan: SchoolPlan, limits: CutLimits): Check[] {
  if (!W) return [];
  const measured = stand.by.left ?? stand.by.right;
  const now = stand.width ?? plan.width;
  const off = stand.open
    ? undefined
    : derive({
        id: 'cut.widthOff',
        label: 'WMS width against the width wanted',
        unit: 'mm',
        formula: '{W_now} − {W}',
        source: measured
          ? 'As measured after the work, less the width wanted'
          : 'As planned, less the width wanted',
        inputs: { W_now: now, W },
      });
  const out = off?.value ?? 0;
  const perSide = sized(Math.abs(out) / 2, 'mm', 2);
  return [
    judge({
      id: 'cut.width',
      stage: 'cut',
      figure: off,
      way: 'within',
      limit: limits('cut.width'),
      holds: 'Ends at the width wanted',
      fails: `Ends ${out > 0 ? 'wider' : 'narrower'} than the width wanted`,
      unknown: 'The width it ends at: not known',
      todo: `Make up ${perSide} a side with the wheel’s offset (${out > 0 ? 'more' : 'less'} ET), or choose another way to cut.`,
      reason: 'The wheels stand where the width puts them; arch and rail clearance follow.',
      at: stand.open ? 'donor.retention' : 'brief.targetWidth',
      ...(stand.open ? { lacks: ['donor.retention'] as const } : {}),
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
  if (plan.work[side] === 'leave') return [];
  return [lengthCheck(cut, T, side)];
}

function lengthCheck(cut: Figure, T: Maybe, side: Side): Check {
  const rest =
    T &&
    derive({
      id: `cut.tubeLeft.${side}`,
      label: `Tube that the cut leaves, ${side}`,
      unit: 'mm',
      formula: '{T} − {c}',
      source: 'Casting to housing end, less the cut',
      inputs: { T, c: cut },
    });
  const name = sideName(side);
  return judge({
    id: `cut.tooLong.${side}`,
    stage: 'cut',
    figure: rest,
    way: 'atLeast',
    limit: 0,
    beyond: 'stop',
    holds: `${name} tube is longer than its cut`,
    fails: `${name} cut is longer than the tube`,
    unknown: `Whether the ${side} tube is longer than its cut: not known`,
    reason: T
      ? `The tube is ${sized(T.value)} from casting to housing end.`
      : 'No more can be cut off than there is tube.',
    todo: 'Check the half and the tube readings, or choose a wider target.',
    at: `donor.tube.${side}`,
    lacks: [`donor.tube.${side}`],
  });
}

function markChecks(marks: SideMarks, side: Side, method: CutMethod, limits: CutLimits): Check[] {
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
  readonly at: PlaceId;
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
    todo: `Move the mark so that ${sized(limit.value, 'mm', 0)} stay to ${from}, or cut less on this side.`,
    reason: 'A weld beside another weld or a casting cracks, and a fit or bearing seat must not be heated.',
    at,
  });
}

/** A spring seat has to stand on the tube that is left. */
function perchChecks(room: Maybe, side: Side): Check[] {
  if (!room) return [];
  return [
    judge({
      id: `cut.perch.${side}`,
      stage: 'cut',
      figure: room,
      way: 'atLeast',
      limit: 0,
      beyond: 'stop',
      holds: `${sideName(side)} spring seat stands on the tube that is left`,
      fails: `${sideName(side)} spring seat does not fit on the tube that is left`,
      unknown: '',
      todo: 'Take another width or pinion place, or move the spring; a seat cannot hang over casting or housing end.',
      reason: 'The seats stand where the car’s springs are, however short the tube gets.',
      at: 'spring.spacing',
    }),
  ];
}

/** The tube as read after the work: a little off is told, what no weld can do is a wrong reading. */
function afterChecks({ tackedOff, weldedOff }: LearnedResult, side: Side, limits: CutLimits): Check[] {
  const [figure, phase] = weldedOff[side]
    ? ([weldedOff[side], 'welded'] as const)
    : ([tackedOff[side], 'tacked'] as const);
  if (!figure) return [];
  const at = `after.${phase}.${side}` as const;
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

/** Sides that stand by a reading after the work, in words: `left welded`. */
export const standWords = ({ by }: { readonly by: Sided<string | undefined> }): readonly string[] =>
  SIDES.flatMap((side) => (by[side] ? [`${side} ${by[side]}`] : []));
