import { compared, judge, judgeClosure, unknownCheck, type Check, type LimitsOf, judgeFact } from '../../stage';
import { SIDES, sideName, type Side, type Sided } from '../../geometry';
import { derive, given, least, type Figure, sized } from '../../measure';
import type { FloatEnd } from './float-stage';
import type { MarksResult } from './marks-result';
import type { PressedTube, TubeResult } from './tube-stage';
import type { donor } from '../donor/words';
import type { cut } from './words';
import type { CutMethod, TubeItem } from './choices';
import type { HeldBy } from '../donor/choices';

type Limits = LimitsOf<typeof cut | typeof donor>;

export interface TubeChecksInput {
  readonly method: CutMethod;
  readonly to: HeldBy;
  readonly tubes: TubeResult;
  readonly float: Sided<FloatEnd>;
  readonly marks: MarksResult;
  readonly items: Readonly<Record<string, TubeItem>>;
  /** Sides that are cut. */
  readonly shortened: Sided<boolean>;
}

const mm = (value: number, digits = 2): string => sized(value, 'mm', digits);

/** Checks of new tubes, full-float ends, and of what is welded to the tubes beside a cut. */
export function tubeChecks(input: TubeChecksInput, limits: Limits): Check[] {
  const checks: Check[] = itemChecks(input, limits);
  for (const side of SIDES) {
    const fit = input.tubes.fit[side];
    if (input.method === 'newTubes') {
      checks.push(pieceCheck(input.tubes.free[side], side, limits));
      if (fit) checks.push(...pressChecks(fit, side, limits));
      else checks.push(unfitted(side));
    }
    if (input.to === 'fullFloat') checks.push(...floatChecks(input.float[side], side, limits));
  }
  return checks;
}

const unfitted = (side: Side): Check =>
  unknownCheck({
    id: `tube.fit.${side}`,
    stage: 'cut',
    unknown: `${sideName(side)} tube’s fit in its bore: not known`,
    reason:
      'Tube and bore are not round: three diameters of each say how tight it sits at its tightest and loosest.',
    at: `tube.bore.${side}.a`,
    lacks: (['a', 'b', 'c'] as const).flatMap((d) => [
      `tube.bore.${side}.${d}` as const,
      `tube.od.${side}.${d}` as const,
    ]),
  });

/** What stands between both cuts is on the metal that is taken out. */
const goesAlong = (id: string, item: TubeItem): Check =>
  judgeFact({
    id: `cut.item.${id}`,
    stage: 'cut',
    rests: { [`item.${id}`]: item, marks: 'placed' },
    holds: `${item.name.charAt(0).toUpperCase()}${item.name.slice(1)} goes off with the ${item.side} slug`,
    unknown: '',
    reason: 'It stands between both cuts.',
    at: `cut.mark.${item.side}`,
  });

function itemChecks({ items, marks, method, shortened }: TubeChecksInput, limits: Limits): Check[] {
  const limit = limits('cut.fromBracket');
  return Object.entries(items).flatMap(([id, item]) => {
    if (method === 'newTubes' || !shortened[item.side]) return [];
    const side = marks.marks[item.side];
    const held = {
      id: `cut.item.${id}`,
      stage: 'cut' as const,
      holds: `${sideName(item.side)} cut is clear of ${item.name}`,
      unknown: `${sideName(item.side)} cut’s distance from ${item.name}: not known`,
      reason: 'A weld beside another weld cracks, and the blade must not run into a bracket.',
      at: `cut.mark.${item.side}`,
    } as const;
    if (!side) return [unknownCheck({ lacks: [`donor.tube.${item.side}`], ...held })];
    const [inner, outer] = [side.inner.fromCasting, side.outer.fromCasting];
    // What stands within the slug goes with it and is in nobody’s way.
    if (item.from >= inner.value && item.to <= outer.value) return [goesAlong(id, item)];
    return [
      judge({
        figure: nearer(id, item, inner, outer),
        way: 'atLeast',
        limit,
        beyond: 'stop',
        fails: `${sideName(item.side)} cut is too near ${item.name}`,
        todo: 'Move the mark, or take the bracket off and dress its weld first.',
        ...held,
      }),
    ];
  });
}

/** Distance from a thing on the tube to the nearer cut, mm; minus where the cut runs through it. */
function nearer(id: string, { name, from, to }: TubeItem, ...cuts: readonly Figure[]): Figure {
  const end = (which: string, value: number) =>
    given(
      `item.${id}.${which}`,
      `${name}, ${which}`,
      value,
      0,
      'mm',
      'Listed on the tube, from the casting face',
    );
  const inputs = { a: end('begins', from), b: end('ends', to) };
  const distances = cuts.map((x, i) =>
    derive({
      id: `item.${id}.cut${i + 1}`,
      label: `${name} to the ${i === 0 ? 'inner' : 'outer'} mark`,
      unit: 'mm',
      formula: 'max({a} − {x}, {x} − {b})',
      source: 'From the nearer end of it to the mark; minus where the mark runs through it',
      inputs: { x, ...inputs },
    }),
  );
  return least(
    { id: `item.${id}.near`, label: `Cut to ${name}`, unit: 'mm', source: 'The nearer mark' },
    distances,
  ) as Figure;
}

function pressChecks(fit: PressedTube, side: Side, limits: Limits): Check[] {
  const checks = [ovalCheck('bore', fit.boreOval, side, limits), ovalCheck('tube', fit.tubeOval, side, limits)];
  checks.push(looseCheck(fit, side, limits), tightCheck(fit, side, limits));
  checks.push(stressCheck(fit.stress, side, limits), forceCheck(fit.force, side, limits));
  return checks;
}

function ovalCheck(what: 'bore' | 'tube', oval: Figure, side: Side, limits: Limits): Check {
  return judge({
    id: `tube.${what}Oval.${side}`,
    stage: 'cut',
    figure: oval,
    way: 'atMost',
    limit: limits('tube.oval'),
    beyond: 'stop',
    holds: `${sideName(side)} ${what} is round enough`,
    fails: `${sideName(side)} ${what} is oval`,
    unknown: `${sideName(side)} ${what}’s roundness: not known`,
    todo:
      what === 'bore'
        ? 'Do not press. Have the bore turned or reamed round, then read it again at four places.'
        : 'Take a tube that was drawn over a mandrel, or have its end turned.',
    reason: 'A round tube in an oval bore bears on two sides only: it works loose, or is drawn crooked.',
    at: what === 'bore' ? `tube.bore.${side}.a` : `tube.od.${side}.a`,
  });
}

const FIT_REASON = 'Play lets the tube turn; too much interference cracks the casting.';

function looseCheck({ least: low, most }: PressedTube, side: Side, limits: Limits): Check {
  return judge({
    id: `tube.loose.${side}`,
    stage: 'cut',
    figure: low,
    way: 'atLeast',
    limit: limits('tube.least'),
    beyond: 'stop',
    holds: `${sideName(side)} tube is tight enough in its bore at the loosest`,
    fails: `${sideName(side)} tube is too loose in its bore`,
    unknown: `${sideName(side)} tube’s fit: not known`,
    todo: 'Take a larger tube, or sleeve the bore.',
    reason: `From ${mm(low.value)} at the loosest to ${mm(most.value)} at the tightest. ${FIT_REASON}`,
    at: `tube.od.${side}.a`,
  });
}

function tightCheck({ least: low, most }: PressedTube, side: Side, limits: Limits): Check {
  const high = limits('tube.most');
  return judge({
    id: `tube.fit.${side}`,
    stage: 'cut',
    figure: most,
    way: 'atMost',
    limit: high,
    beyond: 'stop',
    holds: `${sideName(side)} tube is not too tight in its bore at the tightest`,
    fails: `${sideName(side)} tube is too tight in its bore`,
    unknown: `${sideName(side)} tube’s fit: not known`,
    todo: `Turn ${mm(most.value - high.value)} off the tube’s end, and read again before pressing.`,
    reason: `From ${mm(low.value)} at the loosest to ${mm(most.value)} at the tightest. ${FIT_REASON}`,
    at: `tube.od.${side}.a`,
  });
}

const PRESS_LACKS = ['tube.inside', 'tube.hub', 'tube.insert'] as const;

function stressCheck(stress: Figure | undefined, side: Side, limits: Limits): Check {
  return judge({
    id: `tube.stress.${side}`,
    stage: 'cut',
    figure: stress,
    way: 'atMost',
    limit: limits('tube.stress'),
    beyond: 'stop',
    holds: `${sideName(side)} press fit is within the steel`,
    fails: `${sideName(side)} press fit strains casting or tube`,
    unknown: `What the press fit asks of the steel, ${side}: not known`,
    todo: 'Less interference, or a casting that is thicker round its bore.',
    reason: 'What is left of the yield has to carry the car.',
    at: 'tube.yield',
    lacks: PRESS_LACKS,
  });
}

function forceCheck(force: Figure | undefined, side: Side, limits: Limits): Check {
  return judge({
    id: `tube.force.${side}`,
    stage: 'cut',
    figure: force,
    way: 'atMost',
    limit: limits('tube.force'),
    holds: `${sideName(side)} tube goes in with the press at hand`,
    fails: `${sideName(side)} tube asks for a stronger press`,
    unknown: `Press force, ${side}: not known`,
    todo: 'A stronger press, less interference, or the tube cooled; never the casting heated by eye.',
    reason: 'A tube that stops halfway can neither be driven on nor drawn back.',
    at: 'tube.insert',
    lacks: PRESS_LACKS,
  });
}

/** A new tube has to reach from the casting to its end, with room for both welds. */
function pieceCheck(free: Figure | undefined, side: Side, limits: Limits): Check {
  return judge({
    id: `tube.piece.${side}`,
    stage: 'cut',
    figure: free,
    way: 'atLeast',
    limit: limits('cut.fromCasting'),
    beyond: 'stop',
    holds: `${sideName(side)} new tube reaches from casting to end`,
    fails: `${sideName(side)} new tube is too short to be made`,
    unknown: `${sideName(side)} new tube’s length: not known`,
    todo: 'A wider target, less insertion or a shorter end piece; else casting and end meet.',
    reason: 'What stands out of the casting carries the weld of the end, clear of the press fit.',
    at: 'tube.insert',
    lacks: [`cut.endPiece.${side}`, 'tube.insert', `donor.tube.${side}`],
  });
}

function floatChecks({ angle, turnOff, wall }: FloatEnd, side: Side, limits: Limits): Check[] {
  const checks: Check[] = [
    judge({
      id: `float.angle.${side}`,
      stage: 'cut',
      figure: angle,
      way: 'atMost',
      limit: limits('float.angle'),
      holds: `${sideName(side)} drive spline bears the camber and toe`,
      fails: `${sideName(side)} drive spline stands crooked`,
      unknown: `${sideName(side)} drive spline out of line: not known`,
      todo: 'Less camber or toe, or a crowned drive spline whose maker allows this angle.',
      reason: 'The shaft does not lean with the hub: its outer spline rocks at every turn and wears.',
      at: `float.camber.${side}`,
      lacks: [`float.camber.${side}`, `float.toe.${side}`],
    }),
  ];
  if (wall)
    checks.push(
      judgeClosure(
        {
          id: `float.wall.${side}`,
          stage: 'cut',
          figure: wall,
          limit: limits('donor.wall'),
          holds: `${sideName(side)} tube’s inside, outside and wall agree`,
          fails: `${sideName(side)} tube’s inside, outside and wall contradict each other`,
          unknown: `${sideName(side)} tube’s wall: not known`,
          reason: 'The plug is turned to the inside: one of the three was read at another tube or place.',
          todo: 'Read all three again, off the seam.',
          at: 'donor.tubeWall',
        },
        ['donor.tubeWall', 'donor.tubeOd', ...['a', 'b', 'c', 'd'].map((d) => `float.bore.${side}.${d}`)],
      ),
    );
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
