import { judge, unknownCheck, type Check } from '../../stage';
import { SIDES, sideName, type Side } from '../../geometry';
import type { Figure } from '../../measure';
import type { BrakeResult } from './brake-stage';
import type { HubsChecksInput, HubsLimits } from './checks-input';
import { patternChecks } from './pattern-checks';
import { studChecks } from './stud-checks';

/** Checks of patterns, studs, brakes and lines. */
export function hubsChecks(input: HubsChecksInput, limits: HubsLimits): Check[] {
  return [
    ...patternChecks(input, limits),
    ...studChecks(input.studs, limits),
    ...SIDES.flatMap((side) => shimChecks(input.brakes.shim[side], side, limits)),
    ...brakeChecks(input.brakes, limits),
    ...lineChecks(input),
  ];
}

/** A shim that is too thick is one trouble, metal that would have to come off another. */
function shimChecks(shim: Figure | undefined, side: Side, limits: HubsLimits): Check[] {
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

function brakeChecks({ hose, rim }: BrakeResult, limits: HubsLimits): Check[] {
  return [
    judge({
      id: 'brake.hose',
      stage: 'hubs',
      figure: hose,
      way: 'atLeast',
      limit: 0,
      beyond: 'stop',
      holds: 'The hose reaches at full droop',
      fails: 'The hose is too short at full droop',
      unknown: 'Whether the hose reaches at full droop: not known',
      reason: 'The axle hangs on its brake hose the first time a wheel drops.',
      todo: 'A longer hose, another place of the tee, or a strap that holds the axle sooner.',
      at: 'car.hoseReach',
      lacks: ['car.hoseReach', 'hose.droop'],
    }),
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
      : (written[id]?.points.length ?? 0) < 2
        ? [
            unknownCheck({
              id: `line.${id}`,
              stage: 'hubs',
              unknown: `Brake line “${written[id]?.name ?? id}”: its corners are not known`,
              reason: line.reason,
              at: 'line.list',
            }),
          ]
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
