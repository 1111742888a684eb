import { told, compared, limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { SIDES, sideName, type Side } from '../geometry';
import type { Figure } from '../measure';
import type { Retention, ShaftRoute, Use } from '../plan';
import { formatLength } from '../units';
import { BOUGHT_SHAFTS, type ShaftFit, type ShaftNeed, type ShaftsResult } from './shafts-stage';

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;
type Maybe = Figure | undefined;

export interface ShaftChecksInput {
  readonly shafts: ShaftsResult;
  /** What holds the donor’s shafts, and what will hold the new ones. */
  readonly retention: Retention;
  readonly retentionTo: Retention;
  readonly route: ShaftRoute;
  readonly use: Use;
  /** Spline major diameter by the standard, mm. */
  readonly splineMajor: Maybe;
  readonly body: Readonly<Record<Side, Maybe>>;
  /** Full-depth spline on each of the donor's shafts, and the whole shaft, mm. */
  readonly spline: Readonly<Record<Side, Maybe>>;
  readonly length: Readonly<Record<Side, Maybe>>;
  readonly floatMin: Maybe;
  readonly floatMax: Maybe;
  /** Shafts that arrived, as measured. */
  readonly received: Readonly<Record<Side, Maybe>>;
}

/** Checks of shafts: what may be shortened, what engages, what touches. */
export function shaftChecks(input: ShaftChecksInput, limits: Changes): Check[] {
  const checks: Check[] = retentionChecks(input);
  if (input.floatMin && input.floatMax && input.floatMin.value > input.floatMax.value)
    checks.push(floatCheck(input.floatMin));
  for (const side of SIDES) {
    checks.push(...plausible(input, side));
    const need = input.shafts.needs[side];
    if (!need) continue;
    checks.push(...shortenChecks(input, need, side));
    checks.push(...receivedChecks(input, need, side, limits));
    if (need.source === 'stockShort') checks.push(stockCheck(need, side, limits));
    checks.push(...fitChecks(input, input.shafts.fit[side], side, limits));
  }
  return checks;
}

function retentionChecks({ retentionTo, use }: ShaftChecksInput): Check[] {
  if (retentionTo !== 'cClip') return [];
  const hard = use === 'strip';
  return [
    {
      id: 'shaft.retention',
      stage: 'donor',
      ...told(hard ? 'caution' : 'ok', {
        holds: 'C-clip retention noted',
        fails: 'C-clip shafts on the strip',
        todo: 'Ask the strip’s rules, and plan a bolt-in or full-float conversion before shafts are ordered.',
      }),
      reason:
        'If a C-clip shaft breaks, nothing holds the wheel; many strips and codes ask for bolt-in or full-float.',
      at: 'donor.shaft.left',
    },
  ];
}

const floatCheck = (figure: Figure): Check => ({
  id: 'shaft.float',
  stage: 'donor',
  level: 'stop',
  title: 'End-float: the least is more than the most',
  figure: compared(figure),
  reason: 'Engagement is worked out at both ends of the float.',
  todo: 'Read the end-float again, or swap the two numbers.',
  at: 'donor.endFloatMin',
});

function plausible({ spline, length }: ShaftChecksInput, side: Side): Check[] {
  const l = spline[side];
  const L = length[side];
  if (!l || !L || l.value < L.value) return [];
  return [
    {
      id: `shaft.splineLength.${side}`,
      stage: 'donor',
      level: 'stop',
      title: `${sideName(side)} shaft is shorter than its spline`,
      figure: compared(l),
      reason: `The shaft is only ${formatLength(L.value, { unit: 'mm' })} mm long.`,
      todo: 'Read both again: the length runs from the wheel face to the inner end.',
      at: `donor.shaftSpline.${side}`,
    },
  ];
}

function shortenChecks(
  { retention, route, splineMajor, body }: ShaftChecksInput,
  need: ShaftNeed,
  side: Side,
): Check[] {
  if (route !== 'shorten' || need.source !== 'shortened') return [];
  const checks: Check[] = [];
  if (retention === 'cClip')
    checks.push({
      id: `shaft.cClip.${side}`,
      stage: 'cut',
      level: 'stop',
      title: `${sideName(side)} shaft cannot be shortened: C-clip groove`,
      reason:
        'The groove sits at the inner end; what is cut off takes the groove and the hardened end with it.',
      todo: 'Order new shafts with the groove ground at the right place, or convert to bolt-in ends.',
      at: `donor.shaft.${side}`,
    });
  const d = body[side];
  if (!d || !splineMajor) return checks;
  const necked = d.value < splineMajor.value;
  checks.push({
    id: `shaft.necked.${side}`,
    stage: 'cut',
    ...told(necked ? 'stop' : 'ok', {
      holds: `${sideName(side)} shaft’s body is thick enough for a new spline`,
      fails: `${sideName(side)} shaft cannot be splined again: necked body`,
      todo: 'Order new shafts. Never build a shaft up by welding.',
    }),
    figure: compared(d),
    reason: `A full spline needs ${formatLength(splineMajor.value, { unit: 'mm', digits: 2 })} mm, its major diameter; thinner stock leaves the teeth without tops.`,
    at: `donor.shaftBody.${side}`,
  });
  return checks;
}

const CLIPPED =
  'The clip holds its inner end, so the wheel face moves by what it is off, and the rotor with it.';
const FREE = 'Engagement and gap are worked out for the one that arrived.';

/** A shaft that arrived against the one that the plan wants; what engages follows from the one that arrived. */
function receivedChecks(
  { received: both, retentionTo }: ShaftChecksInput,
  need: ShaftNeed,
  side: Side,
  limits: Changes,
): Check[] {
  const received = both[side];
  const clip = retentionTo === 'cClip';
  if (!received || !BOUGHT_SHAFTS.includes(need.source)) return [];
  const limit = limitOf(limits, 'order.length');
  const off = received.value - need.fitted.value;
  const wrong = Math.abs(off) > limit.value;
  return [
    {
      id: `shaft.received.${side}`,
      stage: 'shafts',
      level: wrong ? 'caution' : 'ok',
      title: `${sideName(side)} shaft that arrived is ${wrong ? `too ${off > 0 ? 'long' : 'short'}` : 'as planned'}`,
      figure: { value: off, unit: 'mm', figureId: received.id },
      limit,
      reason: `The plan wants ${formatLength(need.fitted.value, { unit: 'mm' })} mm. ${clip ? CLIPPED : FREE}`,
      todo: wrong
        ? `Send it back, or look at ${clip ? 'wheel room and brake' : 'engagement and gap'} and keep it with a reason.`
        : '',
      at: received.id,
    },
  ];
}

function stockCheck(need: ShaftNeed, side: Side, limits: Changes): Check {
  const limit = limitOf(limits, 'shaft.stock');
  const off = need.fitted.value - need.needed.value;
  const over = Math.abs(off) > limit.value;
  return {
    id: `shaft.stock.${side}`,
    stage: 'cut',
    ...told(over ? 'caution' : 'ok', {
      holds: `Stock short shaft suits the ${side} side`,
      fails: `Stock short shaft does not match the ${side} side`,
      todo: 'Check both shaft lengths and halves; cut this side by the difference, or order a shaft to length.',
    }),
    figure: { value: off, unit: 'mm', figureId: need.fitted.id },
    limit,
    reason:
      'The side gears may stand at different distances from the pinion axis, so a short shaft is not always right on the other side.',
    at: `donor.shaft.${side}`,
  };
}

function fitChecks(input: ShaftChecksInput, fit: ShaftFit, side: Side, limits: Changes): Check[] {
  const checks: Check[] = [];
  if (fit.share) checks.push(shareCheck(fit.share, side, limits));
  if (fit.gap && input.retentionTo !== 'cClip') checks.push(gapCheck(fit.gap, side, limits));
  return checks;
}

function shareCheck(share: Figure, side: Side, limits: Changes): Check {
  const good = limitOf(limits, 'shaft.engagement');
  const least = limitOf(limits, 'shaft.engagementLeast');
  const level = share.value < least.value ? 'stop' : share.value < good.value ? 'caution' : 'ok';
  return {
    id: `shaft.engagement.${side}`,
    stage: 'cut',
    ...told(level, {
      holds: `${sideName(side)} spline engages fully enough`,
      fails: `${sideName(side)} spline engages too little`,
      todo: 'Order a longer spline or a longer shaft, and check the gap to the cross shaft.',
    }),
    figure: compared(share),
    limit: level === 'stop' ? least : good,
    reason: 'Too little spline in the side gear strips or twists under load.',
    at: 'shaft.spline',
  };
}

function gapCheck(gap: Figure, side: Side, limits: Changes): Check {
  const limit = limitOf(limits, 'shaft.gap');
  const level = gap.value <= 0 ? 'stop' : gap.value < limit.value ? 'caution' : 'ok';
  return {
    id: `shaft.gap.${side}`,
    stage: 'cut',
    ...told(level, {
      holds: `${sideName(side)} shaft is clear of the cross shaft`,
      fails: `${sideName(side)} shaft ${gap.value <= 0 ? 'runs into' : 'is too near'} the cross shaft`,
      todo: 'Shorten the order length, or take the difference off the inner end and chamfer it.',
    }),
    figure: compared(gap),
    limit,
    reason:
      'A shaft that touches the cross shaft pushes the bearing out when the axle warms up or the end-float closes.',
    at: `donor.shaft.${side}`,
  };
}
