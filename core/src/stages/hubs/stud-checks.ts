import { judgeFact } from '../../stage';
import type { Figure } from '../../measure';
import { type Check, compared } from '../../stage/check';
import { judge } from '../../stage/judge';
import type { HubsLimits } from './checks-input';
import type { StudResult, StudJoint } from './stud-stage';

export function studChecks(studs: StudResult, limits: HubsLimits): Check[] {
  const checks: Check[] = [shareCheck('stud', studs, limits), reserveCheck('stud', studs, limits)];
  if (studs.flange)
    checks.push(
      shareCheck('stud.flange', studs.flange, limits),
      reserveCheck('stud.flange', studs.flange, limits),
    );
  checks.push(proofCheck(studs.proof, limits));
  if (studs.pressed && studs.pressed.value <= 0) checks.push(looseCheck(studs.pressed));
  checks.push(mixedCheck(studs), seatCheck(studs));
  return checks;
}

const mixedCheck = ({ mixed, said }: StudResult): Check =>
  judgeFact({
    id: 'stud.mixed',
    stage: 'hubs',
    rests: { 'fact.new.studThread': said.thread, 'fact.car.studThread': said.frontThread },
    fault: mixed
      ? {
          level: 'caution',
          title: 'Front and rear studs differ',
          todo: 'Take studs with the front’s thread, or mark both sets and carry two wrenches.',
        }
      : undefined,
    holds: 'Front and rear studs have the same thread',
    unknown: 'Whether front and rear studs have the same thread: not known',
    reason: 'Two sizes of nut in one car: the wrong one starts on the thread and does not hold.',
    at: 'fact.new.studThread',
    lacks: ['fact.new.studThread', 'fact.car.studThread'],
  });

const seatCheck = ({ seatsDiffer, said }: StudResult): Check =>
  judgeFact({
    id: 'stud.seat',
    stage: 'hubs',
    rests: { 'fact.new.seat': said.seat, 'fact.car.seat': said.wheelSeat },
    fault: seatsDiffer
      ? {
          level: 'stop',
          title: 'Nut and wheel have other seats',
          todo: 'Take nuts with the seat the wheel is made for.',
        }
      : undefined,
    holds: 'Nut and wheel have the same seat',
    unknown: 'Whether nut and wheel have the same seat: not known',
    reason: 'A cone in a ball seat touches on a line: it works loose within miles.',
    at: 'fact.new.seat',
    lacks: ['fact.new.seat', 'fact.car.seat'],
  });

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

const shareCheck = (id: JointId, { share }: StudJoint, limits: HubsLimits): Check =>
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

const reserveCheck = (id: JointId, { reserve }: StudJoint, limits: HubsLimits): Check =>
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

const proofCheck = (proof: Figure | undefined, limits: HubsLimits): Check =>
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
