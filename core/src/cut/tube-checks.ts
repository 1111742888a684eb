import { told, compared, limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { SIDES, sideName, type Side, type Sided } from '../geometry';
import type { Figure } from '../measure';
import type { CutMethod, Retention, TubeItem } from '../plan';
import { formatLength } from '../units';
import type { FloatEnd } from './float-stage';
import type { MarksResult } from './marks-stage';
import type { PressedTube, TubeResult } from './tube-stage';

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

export interface TubeChecksInput {
  readonly method: CutMethod;
  readonly to: Retention;
  readonly tubes: TubeResult;
  readonly float: Sided<FloatEnd>;
  readonly marks: MarksResult;
  readonly items: Readonly<Record<string, TubeItem>>;
}

const mm = (value: number, digits = 2): string => `${formatLength(value, { unit: 'mm', digits })} mm`;

/** Checks of new tubes, full-float ends, and of what is welded to the tubes beside a cut. */
export function tubeChecks(input: TubeChecksInput, limits: Changes): Check[] {
  const checks: Check[] = itemChecks(input, limits);
  for (const side of SIDES) {
    const fit = input.tubes.fit[side];
    if (input.method === 'newTubes' && fit) checks.push(...pressChecks(fit, side, limits));
    if (input.to === 'fullFloat') checks.push(...floatChecks(input.float[side], side, limits));
  }
  return checks;
}

function itemChecks({ items, marks, method }: TubeChecksInput, limits: Changes): Check[] {
  const limit = limitOf(limits, 'cut.fromBracket');
  return Object.entries(items).flatMap(([id, item]) => {
    const side = marks.marks[item.side];
    if (!side || method === 'newTubes') return [];
    const [inner, outer] = [side.inner.fromCasting, side.outer.fromCasting];
    // What stands within the slug goes with it and is in nobody’s way.
    if (item.from >= inner.value && item.to <= outer.value) return [];
    const [left, figure] = nearer(item, inner, outer);
    const near = left < limit.value;
    return [
      {
        id: `cut.item.${id}`,
        stage: 'cut' as const,
        ...told(near ? 'stop' : 'ok', {
          holds: `${sideName(item.side)} cut is clear of ${item.name}`,
          fails: `${sideName(item.side)} cut is too near ${item.name}`,
          todo: 'Move the mark, or take the bracket off and dress its weld first.',
        }),
        figure: { value: left, unit: 'mm' as const, figureId: figure.id },
        limit,
        reason: 'A weld beside another weld cracks, and the blade must not run into a bracket.',
        at: `cut.mark.${item.side}`,
      },
    ];
  });
}

/** Distance from a thing on the tube to the nearer cut; minus where the cut runs through it. */
function nearer({ from, to }: TubeItem, ...cuts: readonly Figure[]): readonly [number, Figure] {
  const distance = (cut: Figure): number =>
    cut.value < from
      ? from - cut.value
      : cut.value > to
        ? cut.value - to
        : -Math.min(cut.value - from, to - cut.value);
  const sorted = [...cuts].sort((a, b) => distance(a) - distance(b));
  const [first] = sorted as [Figure, ...Figure[]];
  return [distance(first), first];
}

function pressChecks(fit: PressedTube, side: Side, limits: Changes): Check[] {
  const checks = [ovalCheck('bore', fit.boreOval, side, limits), ovalCheck('tube', fit.tubeOval, side, limits)];
  checks.push(tightCheck(fit, side, limits));
  if (fit.stress) checks.push(stressCheck(fit.stress, side, limits));
  if (fit.force) checks.push(forceCheck(fit.force, side, limits));
  return checks;
}

function ovalCheck(what: 'bore' | 'tube', oval: Figure, side: Side, limits: Changes): Check {
  const limit = limitOf(limits, 'tube.oval');
  const bad = oval.value > limit.value;
  return {
    id: `tube.${what}Oval.${side}`,
    stage: 'cut',
    ...told(bad ? 'stop' : 'ok', {
      holds: `${sideName(side)} ${what} is round enough`,
      fails: `${sideName(side)} ${what} is oval`,
      todo:
        what === 'bore'
          ? 'Do not press. Have the bore turned or reamed round, then read it again at four places.'
          : 'Take a tube that was drawn over a mandrel, or have its end turned.',
    }),
    figure: compared(oval),
    limit,
    reason: 'A round tube in an oval bore bears on two sides only: it works loose, or is drawn crooked.',
    at: what === 'bore' ? `tube.bore.${side}.a` : `tube.od.${side}.a`,
  };
}

function tightCheck({ least, most }: PressedTube, side: Side, limits: Changes): Check {
  const [low, high] = [limitOf(limits, 'tube.least'), limitOf(limits, 'tube.most')];
  const loose = least.value < low.value;
  const tight = most.value > high.value;
  return {
    id: `tube.fit.${side}`,
    stage: 'cut',
    level: loose || tight ? 'stop' : 'ok',
    title: loose
      ? `${sideName(side)} tube is too loose in its bore`
      : tight
        ? `${sideName(side)} tube is too tight in its bore`
        : `${sideName(side)} tube fits its bore at both extremes`,
    figure: { value: loose ? least.value : most.value, unit: 'mm', figureId: (loose ? least : most).id },
    limit: loose ? low : high,
    reason: `From ${mm(least.value)} at the loosest to ${mm(most.value)} at the tightest. Play lets the tube turn; too much interference cracks the casting.`,
    todo: loose
      ? 'Take a larger tube, or sleeve the bore.'
      : tight
        ? `Turn ${mm(most.value - high.value)} off the tube’s end, and read again before pressing.`
        : '',
    at: `tube.od.${side}.a`,
  };
}

function stressCheck(stress: Figure, side: Side, limits: Changes): Check {
  const limit = limitOf(limits, 'tube.stress');
  const bad = stress.value > limit.value;
  return {
    id: `tube.stress.${side}`,
    stage: 'cut',
    ...told(bad ? 'stop' : 'ok', {
      holds: `${sideName(side)} press fit is within the steel`,
      fails: `${sideName(side)} press fit strains casting or tube`,
      todo: 'Less interference, or a casting that is thicker round its bore.',
    }),
    figure: compared(stress),
    limit,
    reason: 'What is left of the yield has to carry the car.',
    at: 'tube.yield',
  };
}

function forceCheck(force: Figure, side: Side, limits: Changes): Check {
  const limit = limitOf(limits, 'tube.force');
  const bad = force.value > limit.value;
  return {
    id: `tube.force.${side}`,
    stage: 'cut',
    ...told(bad ? 'caution' : 'ok', {
      holds: `${sideName(side)} tube goes in with the press at hand`,
      fails: `${sideName(side)} tube asks for a stronger press`,
      todo: 'A stronger press, less interference, or the tube cooled; never the casting heated by eye.',
    }),
    figure: compared(force),
    limit,
    reason: 'A tube that stops halfway can neither be driven on nor drawn back.',
    at: 'tube.insert',
  };
}

function floatChecks({ angle, turnOff }: FloatEnd, side: Side, limits: Changes): Check[] {
  const checks: Check[] = [];
  if (angle) {
    const limit = limitOf(limits, 'float.angle');
    const bad = angle.value > limit.value;
    checks.push({
      id: `float.angle.${side}`,
      stage: 'cut',
      ...told(bad ? 'caution' : 'ok', {
        holds: `${sideName(side)} drive spline bears the camber and toe`,
        fails: `${sideName(side)} drive spline stands crooked`,
        todo: 'Less camber or toe, or a crowned drive spline whose maker allows this angle.',
      }),
      figure: compared(angle),
      limit,
      reason: 'The shaft does not lean with the hub: its outer spline rocks at every turn and wears.',
      at: `float.camber.${side}`,
    });
  }
  if (turnOff && turnOff.value < 0)
    checks.push({
      id: `float.plug.${side}`,
      stage: 'cut',
      level: 'stop',
      title: `${sideName(side)} plug is too small for its tube`,
      figure: compared(turnOff),
      reason: 'A plug with play sets camber and toe by its weld alone.',
      todo: 'Take the next larger plug, or sleeve the tube.',
      at: 'float.plug',
    });
  return checks;
}
