import { describe, expect, it } from 'vitest';
import packhorse from '../../../examples/packhorse.json';
import ladder from '../../../examples/tern-ladder.json';
import tern from '../../../examples/tern.json';
import { findQuantity, type Plan } from '../plan';
import { reading, wholePlan } from '../testing/plans';
import { atRest } from '../stages/driveline/figures/motion';
import { arms } from '../stages/motion/figures/arms';
import { rearRate } from '../stages/motion/figures/springs';
import { evaluate } from './evaluate';

const PLANS = {
  tern: wholePlan(tern.plan),
  packhorse: wholePlan(packhorse.plan),
  ladder: wholePlan(ladder.plan),
};

/** A plan with one reading more or another in its place. */
const withReading = (plan: Plan, id: string, value: number): Plan => {
  const tool = plan.readings[id]?.instrument ?? findQuantity(id)?.instrument ?? 'tape';
  return { ...plan, readings: { ...plan.readings, [id]: reading(tool, value) } };
};

const lateral = evaluate(PLANS.ladder)
  .of(arms)
  .find(({ member }) => member.kind === 'lateral');
const shaft = evaluate(PLANS.tern).of(atRest)?.shafts.at(-1);
const rate = evaluate(PLANS.ladder).of(rearRate)?.value ?? NaN;
const pressed = withReading(PLANS.ladder, 'scales.pressed', 140);

/** All that is said in more than one way: its check, one of its readings, and what that is off by so that nobody errs so far. */
const TABLE: readonly (readonly [
  check: string,
  plan: Plan,
  id: string,
  right: number | undefined,
  off: number,
])[] = [
  ['donor.closure.left', PLANS.tern, 'donor.tube.left', undefined, 6],
  ['donor.closure.right', PLANS.tern, 'donor.brakeSpace.right', undefined, -5],
  ['donor.width', PLANS.tern, 'donor.width', undefined, 14],
  ['donor.spline', PLANS.tern, 'donor.splineTeeth', undefined, 3],
  ['ratio.agree', PLANS.tern, 'ratio.ring', undefined, 5],
  ['survey.closure', PLANS.tern, 'survey.width', undefined, 17],
  ['brief.weights', PLANS.tern, 'brief.front', undefined, 160],
  ['tyre.size', PLANS.tern, 'brief.tyreDiameter', undefined, 70],
  ['pattern.wheel.typed', PLANS.tern, 'car.wheelPcd', undefined, 9],
  ['pattern.flange.typed', PLANS.tern, 'donor.flangeHoles', undefined, 1],
  ['scales.front', PLANS.packhorse, 'scales.leftFront', undefined, 90],
  ['scales.rear', PLANS.packhorse, 'scales.rightRear', undefined, -90],
  ['twice.cgHeight', PLANS.packhorse, 'brief.cgHeight', undefined, 260],
  ['twice.link.low', PLANS.packhorse, 'link.low', undefined, 21],
  ['twice.link.high', PLANS.packhorse, 'link.high', undefined, -19],
  ['twice.axleHeight', PLANS.tern, 'drive.axleHeight', undefined, 60],
  ['twice.bar.length', PLANS.ladder, 'bar.length', lateral?.length?.value, 14],
  ['twice.drive.readLength', PLANS.tern, 'drive.readLength', shaft?.length.value, -31],
  ['twice.drive.readSlope', PLANS.tern, 'drive.readSlope', shaft?.slope.value, 0.09],
  ['twice.rate', pressed, 'scales.pressedBy', (140 * 9.80665) / rate, 42],
];

describe('what is said in more than one way', () => {
  it.each(TABLE)(
    '%s: beyond what both can tell it is a stop that names its readings',
    (check, plan, id, right, off) => {
      const now = right ?? plan.readings[id]?.repeats[0]?.value ?? NaN;
      const said = evaluate(withReading(plan, id, now));
      expect(said.checks.find((c) => c.id === check)?.level).not.toBe('stop');
      const wrong = evaluate(withReading(plan, id, now + off));
      const found = wrong.checks.find((c) => c.id === check);
      expect(found).toMatchObject({ level: 'stop', contradicts: expect.arrayContaining([id]) as string[] });
      if ((found?.contradicts ?? []).length > 1) expect(found?.reason).toContain('Held against each other: ');
      expect(Object.keys(wrong.contradicted)).toContain(id);
    },
  );

  it('every check that finds readings to contradict each other is in this table, or is of one reading’s repeats', () => {
    const listed = TABLE.map(([check]) => check);
    const known = Object.values(PLANS).flatMap((plan) =>
      evaluate(plan).checks.flatMap(({ id }) => (id.startsWith('twice.') ? [id] : [])),
    );
    expect(known.filter((id) => !listed.includes(id) && !id.startsWith('twice.bolt.'))).toEqual([]);
  });
});
