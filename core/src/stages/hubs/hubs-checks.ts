import {
  compared,
  judge,
  judgeClosure,
  keeps,
  told,
  unknownCheck,
  type Check,
  type LimitsOf,
} from '../../stage';
import { SIDES, sideName, type Side } from '../../geometry';
import { derive, type Figure } from '../../measure';
import type { BendResult } from './bend-table';
import type { BrakeResult } from './brake-stage';
import type { FacePattern, PatternResult } from './pattern-stage';
import type { StudJoint, StudResult } from './stud-stage';
import type { stance } from '../stance/words';
import type { hubs } from './words';
import type { PatternFace, PatternRoute } from './choices';
import type { Spacer } from '../stance/choices';
import { SAME_PCD } from '../shafts/stock-pairs';

type Limits = LimitsOf<typeof hubs | typeof stance>;

/** Count and circle of a face as they were typed. */
export interface TypedPattern {
  readonly holes: Figure | undefined;
  readonly pcd: Figure | undefined;
}

export interface HubsChecksInput {
  readonly typed: Readonly<Record<PatternFace, TypedPattern>>;
  readonly spacer: Spacer;
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
export function hubsChecks(input: HubsChecksInput, limits: Limits): Check[] {
  return [
    ...patternChecks(input, limits),
    ...studChecks(input.studs, limits),
    ...SIDES.flatMap((side) => shimChecks(input.brakes.shim[side], side, limits)),
    ...brakeChecks(input.brakes, limits),
    ...lineChecks(input),
  ];
}

function patternChecks(input: HubsChecksInput, limits: Limits): Check[] {
  const { faces, face, redrill, same } = input.patterns;
  const { route } = input;
  const checks: Check[] = faces.flatMap((f) => [
    ...readChecks(f),
    ...typedCheck(f, input.typed[f.face], limits),
  ]);
  const rotor = rotorCheck(faces, face, route);
  if (rotor) checks.push(rotor);
  if (same === undefined)
    checks.push(
      unknownCheck({
        id: 'pattern.same',
        stage: 'hubs',
        unknown: 'Whether the wheel goes onto the flange: not known',
        reason: 'Count and circle of both have to agree before anything is drilled or ordered.',
        at: 'donor.flangePcd',
        lacks: ['donor.flangeHoles', 'donor.flangePcd', 'donor.flangeHole', 'car.wheelHoles', 'car.wheelPcd'],
      }),
    );
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
  if (same === false && route === 'adapter' && input.spacer !== 'adapter')
    checks.push({
      id: 'pattern.adapter',
      stage: 'hubs',
      level: 'stop',
      title: 'An adapter is chosen here, but the wheels are placed without it',
      reason: 'An adapter moves each wheel out by its thickness: clearances and offset are worked out without.',
      todo: 'Choose the bolted adapter under Stance, with its thickness, or another way here.',
      at: 'spacer.thick',
    });
  if (redrill && route === 'redrill') checks.push(drillCheck(redrill, limits));
  return checks;
}

const readChecks = (f: FacePattern): Check[] =>
  f.problem
    ? [
        {
          id: `pattern.${f.face}`,
          stage: 'hubs',
          level: 'stop',
          title: `${FACE_NAMES[f.face]} pattern: the readings disagree`,
          reason: f.problem,
          todo: 'Read the pairs again, each with its own diameter taken off.',
          at: `pattern.${f.face}`,
          contradicts: TYPED[f.face],
        },
      ]
    : [];

/** Where count and circle of a face are typed. */
const TYPED: Readonly<Record<PatternFace, readonly string[]>> = {
  flange: ['donor.flangeHoles', 'donor.flangePcd'],
  wheel: ['car.wheelHoles', 'car.wheelPcd'],
  rotor: [],
};

/** The pattern that was typed against the one its pairs of holes make. */
function typedCheck(f: FacePattern, typed: TypedPattern, limits: Limits): Check[] {
  const { holes, pcd } = typed;
  if (!f.pcd || !pcd) return [];
  const name = FACE_NAMES[f.face];
  const off = derive({
    id: `pattern.${f.face}.off`,
    label: `${name}’s circle as typed against its pairs of holes`,
    unit: 'mm',
    formula: '{PCD} − {PCD_r}',
    source: 'What was typed less what the pairs make',
    inputs: { PCD: pcd, PCD_r: f.pcd },
  });
  const words = {
    holds: `${name}’s pattern is the one its holes make`,
    fails: `${name}’s pattern is not the one its holes make`,
    todo: 'Count the holes and read the pairs again; correct the one that is wrong.',
  };
  const base = {
    id: `pattern.${f.face}.typed`,
    stage: 'hubs' as const,
    reason: `Its pairs make ${f.holes} × ${f.pcd.value.toFixed(2)} mm.`,
    at: TYPED[f.face][1] ?? `pattern.${f.face}`,
  };
  if (holes && holes.value !== f.holes)
    return [{ ...base, ...told('stop', words), figure: compared(holes), contradicts: TYPED[f.face] }];
  return [
    judgeClosure(
      {
        ...base,
        ...words,
        figure: off,
        limit: limits('pattern.agree'),
        unknown: `${name}’s pattern: not known`,
      },
      TYPED[f.face],
    ),
  ];
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

function drillCheck(redrill: NonNullable<PatternResult['redrill']>, limits: Limits): Check {
  const limit = limits('pattern.ligament');
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

function studChecks(studs: StudResult, limits: Limits): Check[] {
  const checks: Check[] = [shareCheck('stud', studs, limits), reserveCheck('stud', studs, limits)];
  if (studs.flange)
    checks.push(
      shareCheck('stud.flange', studs.flange, limits),
      reserveCheck('stud.flange', studs.flange, limits),
    );
  checks.push(proofCheck(studs.proof, limits));
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

/** What a joint of studs is called, and what it rests on. */
const JOINTS = {
  stud: {
    of: '',
    lacks: [
      'stud.length',
      'stud.hat',
      'stud.pad',
      'stud.nut',
      'spacer.thick',
      'adapter.stud',
      'fact.new.studThread',
    ],
  },
  'stud.flange': {
    of: ' of the adapter',
    lacks: ['stud.length', 'stud.hat', 'adapter.floor', 'adapter.nut', 'fact.new.studThread'],
  },
} as const;
type JointId = keyof typeof JOINTS;

const shareCheck = (id: JointId, { share }: StudJoint, limits: Limits): Check =>
  judge({
    id: `${id}.engagement`,
    stage: 'hubs',
    figure: share,
    way: 'atLeast',
    limit: limits('stud.engagement'),
    beyond: 'stop',
    holds: `Enough thread in the nut${JOINTS[id].of}`,
    fails: `Too little thread in the nut${JOINTS[id].of}`,
    unknown: `Thread in the nut${JOINTS[id].of}: not known`,
    todo: 'Longer studs, a thinner spacer, or nuts with a longer thread.',
    reason: 'A nut that holds on too few threads strips, and the wheel leaves.',
    at: 'stud.length',
    lacks: JOINTS[id].lacks,
  });

const reserveCheck = (id: JointId, { reserve }: StudJoint, limits: Limits): Check =>
  judge({
    id: `${id}.friction`,
    stage: 'hubs',
    figure: reserve,
    way: 'atLeast',
    limit: limits('stud.friction'),
    stop: 1,
    holds: id === 'stud' ? 'Friction carries the wheel' : 'Friction carries the adapter',
    fails: `Friction does not carry the ${id === 'stud' ? 'wheel' : 'adapter'} with reserve`,
    unknown: `Whether friction carries the ${id === 'stud' ? 'wheel' : 'adapter'}: not known`,
    todo: 'Larger or more studs, a higher torque that their class allows, or a larger circle.',
    reason: 'Once the face slips the studs bear on their holes, loosen and shear.',
    at: 'stud.torque',
    lacks: ['stud.torque', 'fact.new.studThread', 'brief.demand'],
  });

const proofCheck = (proof: Figure | undefined, limits: Limits): Check =>
  judge({
    id: 'stud.proof',
    stage: 'hubs',
    figure: proof,
    way: 'atMost',
    limit: limits('stud.proof'),
    stop: limits('stud.proofMost'),
    holds: 'The nut torque leaves the stud within its proof',
    fails: 'The nut torque stretches the stud',
    unknown: 'What the studs bear: not known',
    todo: 'Less torque, a larger thread, or studs of a higher class; read the class off the stud.',
    reason: 'A stud that was stretched past its proof stays longer, lets the clamp go and breaks.',
    at: 'stud.torque',
    lacks: ['stud.torque', 'fact.new.studThread', 'fact.new.studClass'],
  });

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

/** A shim that is too thick is one trouble, metal that would have to come off another. */
function shimChecks(shim: Figure | undefined, side: Side, limits: Limits): Check[] {
  const [limit, align] = [limits('brake.shim'), limits('brake.align')];
  const inward = shim !== undefined && shim.value < 0;
  return [
    judge({
      id: `brake.shim.${side}`,
      stage: 'hubs',
      figure: shim,
      way: inward ? 'atLeast' : 'atMost',
      limit: inward ? { ...align, value: -align.value, fallback: -align.fallback } : limit,
      holds: `${sideName(side)} caliper comes over its rotor`,
      fails: inward
        ? `${sideName(side)} caliper stands too far out`
        : `${sideName(side)} caliper needs a thick shim`,
      unknown: `Whether the ${side} caliper comes over its rotor: not known`,
      reason: 'Pads that do not stand alike wear slanted and drag; long shims bend the bracket’s bolts.',
      todo: inward
        ? 'Have the bracket’s face machined, or take a rotor with less hat offset.'
        : 'A thicker bracket or a rotor with more hat offset, and bolts to suit.',
      at: 'caliper.middle',
      lacks: [`donor.brakeSpace.${side}`, 'rotor.offset', 'caliper.middle'],
    }),
  ];
}

function brakeChecks({ hose, rim }: BrakeResult, limits: Limits): Check[] {
  const base = {
    id: 'brake.hose',
    stage: 'hubs' as const,
    reason: 'The axle hangs on its brake hose the first time a wheel drops.',
    at: 'car.hoseReach',
  };
  const lacks = ['car.hoseReach', 'hose.droop'];
  return [
    hose
      ? {
          ...base,
          ...told(keeps('atLeast', hose.value, 0, 'mm') ? 'ok' : 'stop', {
            holds: 'The hose reaches at full droop',
            fails: 'The hose is too short at full droop',
            todo: 'A longer hose, another place of the tee, or a strap that holds the axle sooner.',
          }),
          figure: compared(hose),
        }
      : unknownCheck({ ...base, unknown: 'Whether the hose reaches at full droop: not known', lacks }),
    judge({
      id: 'brake.rim',
      stage: 'hubs',
      figure: rim,
      way: 'atLeast',
      limit: limits('stance.caliper'),
      beyond: 'stop',
      holds: 'The rotor turns inside this rim',
      fails: 'The rotor does not turn inside this rim',
      unknown: 'Whether the rotor turns inside the rim: not known',
      reason: 'Rotor, rim and bearing give under load.',
      todo: 'A smaller rotor or a larger rim.',
      at: 'rotor.diameter',
      lacks: ['rotor.diameter', 'rim.inside'],
    }),
  ];
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
