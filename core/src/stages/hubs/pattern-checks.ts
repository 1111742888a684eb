import { type PlaceId, judgeFact, unless } from '../../stage';
import { derive, sized } from '../../measure';
import { type Check, compared } from '../../stage/check';
import { unknownCheck, judgeClosure } from '../../stage/judge';
import { SAME_PCD } from '../shafts';
import type { HubsChecksInput, HubsLimits, TypedPattern } from './checks-input';
import type { PatternFace, PatternRoute } from './choices';
import type { FacePattern, PatternResult } from './pattern-stage';

const FACE_NAMES = { flange: 'Flange', wheel: 'Wheel', rotor: 'Rotor' } as const;

export function patternChecks(input: HubsChecksInput, limits: HubsLimits): Check[] {
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
  if (same === true) checks.push(sameCheck(face));
  if (same === false) checks.push(routeCheck(route, redrill?.possible ?? false));
  if (same === false && route === 'adapter') checks.push(adapterCheck(input.spacer === 'adapter'));
  if (redrill && route === 'redrill') checks.push(drillCheck(redrill, face, limits));
  return checks;
}

const sameCheck = (face: PatternResult['face']): Check =>
  judgeFact({
    id: 'pattern.same',
    stage: 'hubs',
    rests: { 'donor.flangePcd': face?.old, 'car.wheelPcd': face?.wanted },
    holds: 'Flange and wheel have the same pattern',
    unknown: 'Whether the wheel goes onto the flange: not known',
    reason: 'Count and circle of both agree.',
    at: 'donor.flangePcd',
  });

const routeCheck = (route: PatternRoute, possible: boolean): Check =>
  judgeFact({
    id: 'pattern.route',
    stage: 'hubs',
    rests: { 'choice.pattern': route === 'undecided' ? undefined : route },
    fault:
      route === 'undecided'
        ? {
            level: 'caution',
            title: 'Flange and wheel patterns differ',
            todo: 'Choose the way under Pattern, with its cost and risk beside the others.',
          }
        : undefined,
    holds: 'Flange and wheel patterns differ; solution chosen',
    unknown: '',
    reason: possible
      ? 'The flange can be re-drilled; an adapter or other shafts are the other ways.'
      : 'The flange cannot be re-drilled; an adapter or other shafts are left.',
    at: 'redrill.hole',
  });

const adapterCheck = (placed: boolean): Check =>
  judgeFact({
    id: 'pattern.adapter',
    stage: 'hubs',
    rests: { 'choice.pattern': 'adapter', 'choice.spacer': placed },
    fault: placed
      ? undefined
      : {
          level: 'stop',
          title: 'An adapter is chosen here, but the wheels are placed without it',
          reason:
            'An adapter moves each wheel out by its thickness: clearances and offset are worked out without.',
          todo: 'Choose the bolted adapter under Stance, with its thickness, or another way here.',
        },
    holds: 'The wheels are placed with the adapter that is chosen here',
    unknown: '',
    reason: 'An adapter moves each wheel out by its thickness.',
    at: 'spacer.thick',
  });

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
const TYPED_AT: Readonly<Record<PatternFace, PlaceId>> = {
  flange: 'donor.flangePcd',
  wheel: 'car.wheelPcd',
  rotor: 'pattern.rotor',
};

/** The pattern that was typed against the one its pairs of holes make. */
function typedCheck(f: FacePattern, typed: TypedPattern, limits: HubsLimits): Check[] {
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
    reason: `Its pairs make ${f.holes} × ${sized(f.pcd.value, 'mm', 2)}.`,
    at: TYPED_AT[f.face],
  } as const;
  if (holes && holes.value !== f.holes)
    return [
      {
        figure: compared(holes),
        contradicts: TYPED[f.face],
        level: 'stop',
        title: words.fails,
        todo: words.todo,
        ...base,
      },
    ];
  return [
    judgeClosure(
      {
        figure: off,
        limit: limits('pattern.agree'),
        // A circle is typed by its name, which is round; holes are drilled beside it.
        mayDiffer: true,
        unknown: `${name}’s pattern: not known`,
        ...base,
        ...words,
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
  return judgeFact({
    id: 'pattern.rotorFits',
    stage: 'hubs',
    rests: { 'pattern.rotor': rotor.fit, 'car.wheelPcd': studs },
    fault: agrees
      ? undefined
      : {
          level: 'stop',
          title: 'The rotor does not go over the studs',
          todo: 'Drill the rotor’s hat on the same jig where its metal allows it, or take another rotor.',
        },
    holds: 'The rotor goes over the studs',
    unknown: '',
    figure: rotor.pcd,
    reason: `Rotor ${rotor.holes} × ${sized(rotor.fit.pcd, 'mm', 2)}, studs ${studs.count} × ${sized(studs.pcd, 'mm', 2)}.`,
    at: 'pattern.rotor',
  });
}

function drillCheck(
  redrill: NonNullable<PatternResult['redrill']>,
  face: PatternResult['face'],
  limits: HubsLimits,
): Check {
  const limit = limits('pattern.ligament');
  return judgeFact({
    id: 'pattern.redrill',
    stage: 'hubs',
    rests: {
      'redrill.hole': redrill,
      'donor.flangeRim': face?.rim,
      'donor.pilot': face?.pilot,
    },
    fault: redrill.possible
      ? undefined
      : {
          level: 'stop',
          title: 'The flange cannot be re-drilled',
          reason: redrill.reasons.join(' '),
          todo: 'Take an adapter, or shafts with the wheel’s own pattern.',
        },
    figure: { value: redrill.nearest.metal, unit: 'mm' },
    holds: 'The flange can be re-drilled',
    unknown: 'Whether the flange can be re-drilled: not known',
    limit,
    reason: `At the best clocking ${redrill.nearest.what} is nearest.`,
    at: 'redrill.hole',
    lacks: [...unless(face?.rim, 'donor.flangeRim'), ...unless(face?.pilot, 'donor.pilot')],
  });
}
