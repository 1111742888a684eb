import { told, compared, limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { SIDES, sideName, type Side } from '../geometry';
import type { Figure } from '../measure';
import type { PatternRoute } from '../plan';
import type { BendResult } from './bend-table';
import type { BrakeResult } from './brake-stage';
import { SAME_PCD } from '../shafts';
import type { PatternResult } from './pattern-stage';
import type { StudResult } from './stud-stage';

type Changes = Readonly<Partial<Record<LimitId, LimitChange>>>;

export interface HubsChecksInput {
  readonly patterns: PatternResult;
  readonly route: PatternRoute;
  readonly studs: StudResult;
  readonly brakes: BrakeResult;
  readonly lines: Readonly<Record<string, BendResult>>;
  /** The lines as they are written, for their names. */
  readonly written: Readonly<Record<string, { readonly name: string }>>;
}

const FACE_NAMES = { flange: 'Flange', wheel: 'Wheel', rotor: 'Rotor' } as const;

/** Checks of patterns, studs, brakes and lines. */
export function hubsChecks(input: HubsChecksInput, limits: Changes): Check[] {
  return [
    ...patternChecks(input.patterns, input.route, limits),
    ...studChecks(input.studs, limits),
    ...SIDES.flatMap((side) => shimChecks(input.brakes.shim[side], side, limits)),
    ...brakeChecks(input.brakes, limits),
    ...lineChecks(input),
  ];
}

function patternChecks(
  { faces, face, redrill, same }: PatternResult,
  route: PatternRoute,
  limits: Changes,
): Check[] {
  const checks: Check[] = faces.flatMap((f) =>
    f.problem
      ? [
          {
            id: `pattern.${f.face}`,
            stage: 'hubs' as const,
            level: 'caution' as const,
            title: `${FACE_NAMES[f.face]} pattern: the readings disagree`,
            reason: f.problem,
            todo: 'Read the pairs again, each with its own diameter taken off.',
            at: `pattern.${f.face}`,
          },
        ]
      : [],
  );
  const rotor = rotorCheck(faces, face, route);
  if (rotor) checks.push(rotor);
  if (same === false && route === 'undecided')
    checks.push({
      id: 'pattern.route',
      stage: 'hubs',
      level: 'caution',
      title: 'Flange and wheel have other patterns',
      reason: redrill?.possible
        ? 'The flange can be re-drilled; an adapter or other shafts are the other ways.'
        : 'The flange cannot be re-drilled; an adapter or other shafts are left.',
      todo: 'Choose the way under Pattern, with its cost and risk beside the others.',
      at: 'redrill.hole',
    });
  if (redrill && route === 'redrill') checks.push(drillCheck(redrill, limits));
  return checks;
}

/** The rotor sits between flange and wheel: it has to have the pattern that the studs will have. */
function rotorCheck(
  faces: PatternResult['faces'],
  face: PatternResult['face'],
  route: PatternRoute,
): Check | undefined {
  const rotor = faces.find((f) => f.face === 'rotor');
  if (!rotor?.fit || !face) return undefined;
  // An adapter bolts over the rotor, so the rotor keeps to the flange.
  const studs = route === 'adapter' ? face.old : face.wanted;
  const off = rotor.fit.pcd - studs.pcd;
  const agrees = rotor.holes === studs.count && Math.abs(off) <= SAME_PCD;
  return {
    id: 'pattern.rotorFits',
    stage: 'hubs',
    ...told(agrees ? 'ok' : 'stop', {
      holds: 'The rotor goes over the studs',
      fails: 'The rotor does not go over the studs',
      todo: 'Drill the rotor’s hat on the same jig where its metal allows it, or take another rotor.',
    }),
    figure: { value: off, unit: 'mm' },
    reason: `Rotor ${rotor.holes} × ${rotor.fit.pcd.toFixed(2)} mm, studs ${studs.count} × ${studs.pcd.toFixed(2)} mm.`,
    at: 'pattern.rotor',
  };
}

function drillCheck(redrill: NonNullable<PatternResult['redrill']>, limits: Changes): Check {
  const limit = limitOf(limits, 'pattern.ligament');
  return {
    id: 'pattern.redrill',
    stage: 'hubs',
    ...told(redrill.possible ? 'ok' : 'stop', {
      holds: 'The flange can be re-drilled',
      fails: 'The flange cannot be re-drilled',
      todo: 'Take an adapter, or shafts with the wheel’s own pattern.',
    }),
    figure: { value: redrill.nearest.metal, unit: 'mm' },
    limit,
    reason: redrill.possible
      ? `At the best clocking ${redrill.nearest.what} is nearest.`
      : redrill.reasons.join(' '),
    at: 'redrill.hole',
  };
}

function studChecks(studs: StudResult, limits: Changes): Check[] {
  const checks: Check[] = [];
  if (studs.share) checks.push(shareCheck(studs.share, limits));
  if (studs.reserve) checks.push(reserveCheck(studs.reserve, limits));
  if (studs.pressed && studs.pressed.value <= 0) checks.push(looseCheck(studs.pressed));
  if (studs.mixed)
    checks.push({
      id: 'stud.mixed',
      stage: 'hubs',
      level: 'caution',
      title: 'Front and rear studs differ',
      reason: 'Two sizes of nut in one car: the wrong one starts on the thread and does not hold.',
      todo: 'Take studs with the front’s thread, or mark both sets and carry two wrenches.',
      at: 'fact.new.studThread',
    });
  if (studs.seatsDiffer)
    checks.push({
      id: 'stud.seat',
      stage: 'hubs',
      level: 'stop',
      title: 'Nut and wheel have other seats',
      reason: 'A cone in a ball seat touches on a line: it works loose within miles.',
      todo: 'Take nuts with the seat the wheel is made for.',
      at: 'fact.new.seat',
    });
  return checks;
}

function shareCheck(share: Figure, limits: Changes): Check {
  const limit = limitOf(limits, 'stud.engagement');
  const low = share.value < limit.value;
  return {
    id: 'stud.engagement',
    stage: 'hubs',
    ...told(low ? 'stop' : 'ok', {
      holds: 'Enough thread in the nut',
      fails: 'Too little thread in the nut',
      todo: 'Longer studs, a thinner spacer, or nuts with a longer thread.',
    }),
    figure: compared(share),
    limit,
    reason: 'A nut that holds on too few threads strips, and the wheel leaves.',
    at: 'stud.length',
  };
}

function reserveCheck(reserve: Figure, limits: Changes): Check {
  const limit = limitOf(limits, 'stud.friction');
  const level = reserve.value < 1 ? 'stop' : reserve.value < limit.value ? 'caution' : 'ok';
  return {
    id: 'stud.friction',
    stage: 'hubs',
    ...told(level, {
      holds: 'Friction carries the wheel',
      fails: 'Friction does not carry the wheel with reserve',
      todo: 'Larger or more studs, a higher torque that their class allows, or a larger circle.',
    }),
    figure: compared(reserve),
    limit,
    reason: 'Once the face slips the studs bear on their holes, loosen and shear.',
    at: 'stud.torque',
  };
}

const looseCheck = (pressed: Figure): Check => ({
  id: 'stud.knurl',
  stage: 'hubs',
  level: 'stop',
  title: 'The stud’s knurl does not hold in its hole',
  figure: compared(pressed),
  reason: 'A stud that turns can be neither tightened nor loosened.',
  todo: 'Take studs with a larger knurl, or sleeve the hole. Never hold one by weld.',
  at: 'stud.knurl',
});

function shimChecks(shim: Figure | undefined, side: Side, limits: Changes): Check[] {
  if (!shim) return [];
  const [limit, align] = [limitOf(limits, 'brake.shim'), limitOf(limits, 'brake.align')];
  const inward = shim.value < -align.value;
  const thick = shim.value > limit.value;
  return [
    {
      id: `brake.shim.${side}`,
      stage: 'hubs',
      level: inward || thick ? 'caution' : 'ok',
      title: inward
        ? `${sideName(side)} caliper stands too far out`
        : thick
          ? `${sideName(side)} caliper needs a thick shim`
          : `${sideName(side)} caliper comes over its rotor`,
      figure: compared(shim),
      limit: inward ? align : limit,
      reason: 'Pads that do not stand alike wear slanted and drag; long shims bend the bracket’s bolts.',
      todo: inward
        ? 'Have the bracket’s face machined, or take a rotor with less hat offset.'
        : thick
          ? 'A thicker bracket or a rotor with more hat offset, and bolts to suit.'
          : '',
      at: 'caliper.middle',
    },
  ];
}

function brakeChecks({ hose, rim }: BrakeResult, limits: Changes): Check[] {
  const checks: Check[] = [];
  if (hose && hose.value < 0)
    checks.push({
      id: 'brake.hose',
      stage: 'hubs',
      level: 'stop',
      title: 'The hose is too short at full droop',
      figure: compared(hose),
      reason: 'The axle hangs on its brake hose the first time a wheel drops.',
      todo: 'A longer hose, another place of the tee, or a strap that holds the axle sooner.',
      at: 'car.hoseReach',
    });
  const limit = limitOf(limits, 'stance.caliper');
  if (rim && rim.value < limit.value)
    checks.push({
      id: 'brake.rim',
      stage: 'hubs',
      level: 'stop',
      title: 'The rotor does not turn inside this rim',
      figure: compared(rim),
      limit,
      reason: 'Rotor, rim and bearing give under load.',
      todo: 'A smaller rotor or a larger rim.',
      at: 'rotor.diameter',
    });
  return checks;
}

const lineChecks = ({ lines, written }: HubsChecksInput): Check[] =>
  Object.entries(lines).flatMap(([id, line]) =>
    line.ok
      ? []
      : [
          {
            id: `line.${id}`,
            stage: 'hubs' as const,
            level: 'caution' as const,
            title: `Brake line “${written[id]?.name ?? id}” cannot be bent`,
            reason: line.reason,
            todo: 'Move the points apart, or take a die with a smaller radius.',
          },
        ],
  );
