import { sized } from '../../measure';
import { type FactOf, judgeFact } from '../../stage';
import { roomKindOf, type RoomId } from '../survey/room-quantities';
import type { survey } from '../survey/words';
import { SURVEY_QUANTITIES } from '../survey/quantities';
import { isOpen, judge, judgeClosure, unknownCheck, type Check, type LimitsOf } from '../../stage';
import { SIDES, sideName, type Side } from '../../geometry';
import type { Figure } from '../../measure';

import { POSE_WORDS } from './poses';
import type { Clearance, StanceResult } from './stance-result';
import type { stance } from './words';
import type { Spacer } from './choices';

type Limits = LimitsOf<typeof stance>;

export interface StanceChecksInput {
  readonly stance: StanceResult;
  readonly spacer: Spacer;
  readonly spacerThick: Figure | undefined;
  /** What stands inboard, as facts `room.kind.…`. */
  readonly facts: FactOf<typeof survey>;
}

/** Checks of wheel and tyre: what they clear on each side, under the lip, round the brake; and the spacer. */
export function stanceChecks(input: StanceChecksInput, limits: Limits): Check[] {
  const { stance, spacer, spacerThick } = input;
  const checks: Check[] = [];
  if (stance.tyreProblem) checks.push(tyreCheck(stance.tyreProblem));
  if (stance.diameterOff) checks.push(diameterCheck(stance.diameterOff, limits));
  if (stance.lateralBar && stance.lateralBar !== 'solved') checks.push(barCheck(stance.lateralBar));
  for (const side of SIDES) {
    const gaps = (['inboard', 'outboard'] as const).map((from) => gapCheck(input, side, from, limits));
    checks.push(...gaps, radialCheck(stance, side, gaps[1] as Check, limits));
  }
  checks.push(caliperCheck(stance.caliper, limits));
  if (spacer !== 'none') checks.push(spacerCheck(spacer, spacerThick, limits));
  return checks;
}

const tyreCheck = (problem: string): Check => ({
  id: 'stance.tyre',
  stage: 'stance',
  level: 'stop',
  title: 'The tyre’s size cannot be read',
  reason: problem,
  todo: 'Copy it from the sidewall.',
  at: 'wheel.rim',
});

const diameterCheck = (figure: Figure, limits: Limits): Check =>
  judgeClosure(
    {
      id: 'tyre.size',
      stage: 'stance',
      figure,
      limit: limits('tyre.size'),
      // A tyre is as large as its size says within its maker’s tolerance.
      mayDiffer: true,
      holds: 'Tyre’s diameter is the one its size says',
      fails: 'Tyre’s diameter is not the one its size says',
      unknown: 'Tyre’s diameter against its size: not known',
      reason: 'Clearances, revolutions and torque follow from it; one of the two belongs to another tyre.',
      todo: 'Read size and diameter off the tyre that will be used, pumped up.',
      at: 'brief.tyreDiameter',
    },
    ['brief.tyreDiameter'],
  );

function barCheck(bar: 'reaches' | 'short' | 'unknown'): Check {
  return judgeFact({
    id: 'stance.bar',
    stage: 'stance',
    rests: { 'bar.length': bar === 'unknown' ? undefined : bar },
    fault:
      bar === 'short'
        ? {
            level: 'stop',
            title: 'The lateral bar does not reach through the travel',
            todo: 'Read its length, its rise and the bump and droop travel again.',
            contradicts: ['bar.length', 'bar.rise'],
          }
        : undefined,
    holds: 'The lateral bar reaches through the travel',
    unknown: 'Whether the lateral bar reaches through the travel: not known',
    reason: 'A bar shorter than its ends are apart cannot be: the axle would be pulled off.',
    at: 'bar.length',
    lacks: ['bar.length', 'bar.rise', 'fact.bar.side', 'spring.bump', 'spring.droop'],
  });
}

/** The clearance with the least left over its limit; undefined where nothing stands there. */
export function tightest(
  list: readonly Clearance[],
  side: Side,
  from: Clearance['from'],
  limits: Limits,
): Clearance | undefined {
  const margin = (c: Clearance) => c.gap.value - limits(`stance.${c.limit}`).value;
  return list
    .filter((c) => c.side === side && c.from === from)
    .reduce<Clearance | undefined>((best, c) => (!best || margin(c) < margin(best) ? c : best), undefined);
}

/** What a tyre comes near to: the arch lip, or what the reading’s own words say. */
const thing = ({ from, place }: Clearance): string =>
  from === 'outboard'
    ? 'the arch lip'
    : `what stands ${SURVEY_QUANTITIES.find((q) => q.id === place)?.label.toLowerCase() ?? 'inboard'}`;

/** Of the inboard readings, the heights whose kind of thing was not said. */
function kindUnsaid(place: RoomId, facts: StanceChecksInput['facts']): boolean {
  const kind = roomKindOf(place);
  return kind !== undefined && facts(kind) === undefined;
}

const REASON = 'A tyre that rubs is cut through; one that touches a spring or brake line takes it along.';

/** The tightest gap is judged; while a pose is not known nothing clears, though what touches already touches. */
function gapCheck(
  { stance, facts }: StanceChecksInput,
  side: Side,
  from: Clearance['from'],
  limits: Limits,
): Check {
  const worst = tightest(stance.clearances, side, from, limits);
  const lacks = stance.lacks[side][from];
  const base = { id: `stance.${from}.${side}`, stage: 'stance', at: 'wheel.et' } as const;
  const unknown = `Whether the ${side} tyre clears ${from}: not known`;
  if (!worst)
    return judgeFact({
      rests: { [`room.lip.${side}`]: lacks.length ? undefined : 'read' },
      holds: `${sideName(side)} tyre has nothing ${from}`,
      unknown,
      reason: lacks.length
        ? REASON
        : 'In every pose it stays below the arch lip by the gap that is kept under it.',
      lacks,
      ...base,
    });
  const limit = limits(`stance.${worst.limit}`);
  const kind = kindUnsaid(worst.place, facts)
    ? ' What stands there was not said, so the wider gap is kept.'
    : '';
  const check = judge({
    figure: worst.gap,
    way: 'atLeast',
    limit,
    stop: 0,
    holds: `${sideName(side)} tyre clears ${from}`,
    fails: (level) => `${sideName(side)} tyre ${level === 'stop' ? 'touches' : 'is too near'} ${thing(worst)}`,
    unknown,
    todo: advice(stance, side, from, limit.value - worst.gap.value),
    reason: `Least at ${POSE_WORDS[worst.pose]}. ${REASON}${kind}`,
    ...base,
  });
  if (isOpen(check) || lacks.length === 0) return check;
  return {
    ...unknownCheck({ unknown, reason: `${check.reason} Not all poses are known yet.`, lacks, ...base }),
    ...(check.figure ? { figure: check.figure } : {}),
    limit,
  };
}

function advice(stance: StanceResult, side: Side, from: Clearance['from'], short: number): string {
  const metal = stance.archWork[side];
  const work =
    metal === undefined || metal === 0
      ? ''
      : ` No place clears on this side: ${sized(metal)} of metal would have to move.`;
  const move = stance.axleMove;
  if (move !== undefined)
    return `One offset cannot suit both sides: set the axle ${sized(Math.abs(move))} further to the ${move > 0 ? 'left' : 'right'}, then choose the offset.${work}`;
  const toward = from === 'inboard' ? 'less' : 'more';
  return `Take ${sized(short)} ${toward} offset, ${from === 'inboard' ? 'a wider' : 'a narrower'} axle, or a narrower tyre.${work}`;
}

/** A tyre that certainly stays inboard of the lip may rise past it; any other has to stay below. */
function radialCheck(stance: StanceResult, side: Side, outboard: Check, limits: Limits): Check {
  const radial = stance.radial[side];
  const base = {
    id: `stance.radial.${side}`,
    stage: 'stance',
    reason: 'A tyre that stands out under the lip must stay below it; one that stays inboard may rise past it.',
    at: `room.lip.${side}`,
  } as const;
  const limit = limits('stance.radial');
  const unknown = `Whether the ${side} tyre stays below the lip at bump: not known`;
  if (outboard.level === 'ok' && radial && radial.value < limit.value)
    return judgeFact({
      rests: { [outboard.id]: outboard, [radial.id]: radial },
      holds: `${sideName(side)} tyre rises inside the lip`,
      unknown,
      figure: radial,
      limit,
      ...base,
    });
  const check = judge({
    figure: radial,
    way: 'atLeast',
    limit,
    holds: `${sideName(side)} tyre stays below the lip at full bump`,
    fails: `${sideName(side)} tyre comes up to the lip at bump`,
    unknown,
    todo: 'Bring the tyre inboard, limit the bump travel, or roll the lip.',
    lacks: stance.lacks[side].radial,
    ...base,
  });
  if (check.level !== 'caution' || outboard.level !== 'unknown') return check;
  return {
    ...unknownCheck({ unknown, lacks: outboard.lacks ?? [], ...base }),
    figure: check.figure,
    limit,
  } as Check;
}

const caliperCheck = (caliper: Figure | undefined, limits: Limits): Check =>
  judge({
    id: 'stance.caliper',
    stage: 'stance',
    figure: caliper,
    way: 'atLeast',
    limit: limits('stance.caliper'),
    stop: 0,
    holds: 'The rim turns round the brake',
    fails: 'The rim is too near the brake',
    unknown: 'Whether the rim turns round the brake: not known',
    todo: 'A larger rim, a smaller brake, or another barrel; read the rim where the brake sits.',
    reason: 'Brake, rim and bearing give under load, and stones get between them.',
    at: 'rim.inside',
    lacks: ['rim.inside', 'brake.radius'],
  });

function spacerCheck(spacer: Spacer, thick: Figure | undefined, limits: Limits): Check {
  const plain = spacer === 'plain';
  return judge({
    id: 'stance.spacer',
    stage: 'stance',
    figure: thick,
    way: plain ? 'atMost' : 'atLeast',
    limit: limits(plain ? 'spacer.plain' : 'spacer.adapter'),
    beyond: 'stop',
    holds: 'The spacer is within its limit',
    fails: plain ? 'The plain spacer is too thick' : 'The bolted adapter is too thin',
    unknown: `Thickness of the ${plain ? 'spacer' : 'adapter'}: not known`,
    todo: plain
      ? 'Longer studs and a bolted adapter, or another offset.'
      : 'A thicker adapter, or a wheel with another offset.',
    reason: plain
      ? 'Every millimetre comes off the thread in the nut, and bends the stud.'
      : 'An adapter must be thick enough for the studs that hold it and the studs it carries.',
    at: 'spacer.thick',
    lacks: ['spacer.thick'],
  });
}
