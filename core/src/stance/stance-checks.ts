import { told, compared, limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { SIDES, sideName, type Side } from '../geometry';
import type { Figure } from '../measure';
import { findQuantity, type Spacer } from '../plan';
import { POSE_WORDS, type Clearance, type StanceResult } from './stance-stage';

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

export interface StanceChecksInput {
  readonly stance: StanceResult;
  readonly spacer: Spacer;
  readonly spacerThick: Figure | undefined;
}

/** Checks of wheel and tyre: what they clear on each side, under the lip, round the brake; and the spacer. */
export function stanceChecks({ stance, spacer, spacerThick }: StanceChecksInput, limits: Changes): Check[] {
  const checks: Check[] = [];
  if (stance.tyreProblem) checks.push(tyreCheck(stance.tyreProblem));
  for (const side of SIDES) {
    for (const from of ['inboard', 'outboard'] as const) {
      const worst = tightest(stance.clearances, side, from, limits);
      if (worst) checks.push(gapCheck(worst, stance, limits));
    }
    const radial = stance.radial[side];
    if (radial) checks.push(radialCheck(radial, side, stance, limits));
  }
  if (stance.caliper) checks.push(caliperCheck(stance.caliper, limits));
  if (spacer !== 'none' && spacerThick) checks.push(spacerCheck(spacer, spacerThick, limits));
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

/** The clearance with the least left over its limit; undefined where nothing stands there. */
export function tightest(
  list: readonly Clearance[],
  side: Side,
  from: Clearance['from'],
  limits: Changes,
): Clearance | undefined {
  const margin = (c: Clearance) => c.gap.value - limitOf(limits, `stance.${c.limit}`).value;
  return list
    .filter((c) => c.side === side && c.from === from)
    .reduce<Clearance | undefined>((best, c) => (!best || margin(c) < margin(best) ? c : best), undefined);
}

/** What stands at a room reading: `inner arch`, or the reading’s own words. */
const thing = (place: string): string =>
  place.startsWith('room.out')
    ? 'the arch lip'
    : `what stands ${findQuantity(place)?.label.toLowerCase() ?? 'inboard'}`;

function gapCheck(worst: Clearance, { archWork }: StanceResult, limits: Changes): Check {
  const { side, from, gap, pose } = worst;
  const limit = limitOf(limits, `stance.${worst.limit}`);
  const level = gap.value <= 0 ? 'stop' : gap.value < limit.value ? 'caution' : 'ok';
  const toward = from === 'inboard' ? 'less' : 'more';
  const metal = archWork[side];
  const work =
    metal > 0 ? ` No place clears on this side: ${metal.toFixed(1)} mm of metal would have to move.` : '';
  return {
    id: `stance.${from}.${side}`,
    stage: 'stance',
    ...told(level, {
      holds: `${sideName(side)} tyre clears ${from}`,
      fails: `${sideName(side)} tyre ${level === 'stop' ? 'touches' : 'is too near'} ${thing(worst.place)}`,
      todo: `Take ${(limit.value - gap.value).toFixed(1)} mm ${toward} offset, ${from === 'inboard' ? 'a wider' : 'a narrower'} axle, or a narrower tyre.${work}`,
    }),
    figure: compared(gap),
    limit,
    reason: `Least at ${POSE_WORDS[pose]}. A tyre that rubs is cut through; one that touches a spring or brake line takes it along.`,
    at: 'wheel.et',
  };
}

function radialCheck(radial: Figure, side: Side, stance: StanceResult, limits: Changes): Check {
  const limit = limitOf(limits, 'stance.radial');
  const outer = tightest(stance.clearances, side, 'outboard', limits);
  // Where the tyre stays inboard of the lip it may rise past it.
  const inside = outer !== undefined && outer.gap.value >= limitOf(limits, 'stance.outboard').value;
  const low = radial.value < limit.value && !inside && outer !== undefined;
  return {
    id: `stance.radial.${side}`,
    stage: 'stance',
    ...told(low ? 'caution' : 'ok', {
      holds: `${sideName(side)} tyre may rise to full bump`,
      fails: `${sideName(side)} tyre comes up to the lip at bump`,
      todo: 'Bring the tyre inboard, limit the bump travel, or roll the lip.',
    }),
    figure: compared(radial),
    limit,
    reason: 'A tyre that stands out under the lip must stay below it; one that stays inboard may rise past it.',
    at: `room.lip.${side}`,
  };
}

function caliperCheck(caliper: Figure, limits: Changes): Check {
  const limit = limitOf(limits, 'stance.caliper');
  const level = caliper.value <= 0 ? 'stop' : caliper.value < limit.value ? 'caution' : 'ok';
  return {
    id: 'stance.caliper',
    stage: 'stance',
    ...told(level, {
      holds: 'The rim turns round the brake',
      fails: 'The rim is too near the brake',
      todo: 'A larger rim, a smaller brake, or another barrel; read the rim where the brake sits.',
    }),
    figure: compared(caliper),
    limit,
    reason: 'Brake, rim and bearing give under load, and stones get between them.',
    at: 'rim.inside',
  };
}

function spacerCheck(spacer: Spacer, thick: Figure, limits: Changes): Check {
  const plain = spacer === 'plain';
  const limit = limitOf(limits, plain ? 'spacer.plain' : 'spacer.adapter');
  const bad = plain ? thick.value > limit.value : thick.value < limit.value;
  return {
    id: 'stance.spacer',
    stage: 'stance',
    ...told(bad ? 'stop' : 'ok', {
      holds: 'The spacer is within its limit',
      fails: plain ? 'The plain spacer is too thick' : 'The bolted adapter is too thin',
      todo: plain
        ? 'Longer studs and a bolted adapter, or another offset.'
        : 'A thicker adapter, or a wheel with another offset.',
    }),
    figure: compared(thick),
    limit,
    reason: plain
      ? 'Every millimetre comes off the thread in the nut, and bends the stud.'
      : 'An adapter must be thick enough for the studs that hold it and the studs it carries.',
    at: 'spacer.thick',
  };
}
