import { sized } from '../../measure';
import type { Advice } from '../../mechanics';
import { judge, type Check, unless, judgeFact } from '../../stage';
import { axlesApart, speedo } from './figures/others';
import { chosenSet } from './figures/ratios';
import { runQuestion } from './figures/run-car';
import { backlash, setUp } from './figures/set-up';
import { stackOff, turning } from './figures/turning';
import { node } from './node';

/** Do both axles turn alike, does the speedometer tell the truth, can the run be run? */
export const agree = node('agree', (r): readonly Check[] => {
  const [apart, off, { trouble }] = [r.of(axlesApart), r.of(speedo), r.of(runQuestion)];
  const checks: Check[] = [];
  if (r.choice('driven') === 'all')
    checks.push(
      judge({
        id: 'gear.axles',
        stage: 'gears',
        figure: apart,
        way: 'within',
        limit: r.limit('gear.axles'),
        beyond: 'stop',
        holds: 'Front and rear axle turn alike',
        fails: 'Front and rear axle do not turn alike',
        unknown: 'Front against rear axle: not known',
        reason:
          'With all wheels driving, axles that differ wind the driveline up until a tyre or a part lets go.',
        todo: 'The same ratio in front, or tyres that make up for it.',
        at: 'gear.frontRatio',
        lacks: [
          ...unless(r.of(chosenSet), 'gear.set'),
          ...unless(r.figure('gear.frontRatio'), 'gear.frontRatio'),
          ...unless(r.figure('gear.frontRolling'), 'gear.frontRolling'),
        ],
      }),
    );
  if (off)
    checks.push(
      judge({
        id: 'gear.speedo',
        stage: 'gears',
        figure: off,
        way: 'within',
        limit: r.limit('gear.speedo'),
        holds: 'Speedometer stays true',
        fails: off.value > 0 ? 'Speedometer shows too much' : 'Speedometer shows too little',
        unknown: '',
        reason: 'It counts turns of the driveshaft; ratio and tyre have changed.',
        todo: 'Change its driven gear, or have it set anew.',
        at: 'gear.oldRatio',
      }),
    );
  if (trouble)
    checks.push({
      id: 'gear.run',
      stage: 'gears',
      level: 'caution',
      title: 'The run cannot be run as it is said',
      reason: trouble,
      todo: 'Change where it is launched or changes up.',
      at: 'gear.launchRpm',
    });
  return checks;
});

/** What the advice comes to, in a few words. */
function mending(next: Advice | undefined): string {
  if (!next) return '';
  if (next.stuck?.why === 'notShims')
    return 'No shim mends this: look at the ring’s seat, its bolts and the bearings, or take it as it is.';
  if (next.stuck)
    return 'The shims there are come no nearer: get those that Set-up names, or take it as it is.';
  return next.pressing
    ? 'Change the pinion’s shim: its bearing is pressed off and on again.'
    : 'Move the carrier; the pinion stays.';
}

/** Does the pinion turn as its bearings should? */
export const turns = node('turns', (r): readonly Check[] => {
  const found = r.of(turning);
  if (!found) return [];
  const kind = found.bearings === 'used' ? 'Used' : 'New';
  const base = {
    stage: 'gears' as const,
    figure: found.torque,
    unknown: `Pinion’s turning torque: not judged, ${found.unsaid.join(' and ')} is not said`,
    reason: `Its bearings alone, ${found.bearings ?? 'new or used'}: ${sized(r.limit(`gear.turn${kind}Least`).value, 'Nm')} to ${sized(r.limit(`gear.turn${kind}Most`).value, 'Nm')}.`,
    at: 'gear.trials' as const,
  };
  return [
    judge({
      ...base,
      id: 'gear.turningLeast',
      way: 'atLeast',
      limit: r.limit(`gear.turn${kind}Least`),
      holds: 'Pinion’s bearings are preloaded',
      fails: 'Pinion turns too easily',
      todo: 'A little more on the nut with a crush sleeve, never back; a thinner shim with a solid spacer.',
    }),
    judge({
      ...base,
      id: 'gear.turningMost',
      way: 'atMost',
      limit: r.limit(`gear.turn${kind}Most`),
      holds: 'Pinion’s bearings are not squeezed',
      fails: 'Pinion turns too hard',
      todo: 'A new crush sleeve: one that was squeezed too far is not backed off. A thicker shim with a solid spacer.',
    }),
  ];
});

const CLUTCH = ['clutch.stack', 'clutch.stackBook', 'clutch.soak', 'clutch.breakAway'] as const;

/** The clutch pack of a limited slip, once one of its readings is there. */
export const clutchPack = node('clutchPack', (r): readonly Check[] => {
  if (!CLUTCH.some((id) => r.wasRead(id))) return [];
  const missing = (...ids: readonly (typeof CLUTCH)[number][]) => ids.filter((id) => !r.figure(id));
  const redo = 'Take it apart again; accept it with a reason where it is to stay.';
  const slips = {
    stage: 'gears' as const,
    figure: r.figure('clutch.breakAway'),
    at: 'clutch.breakAway' as const,
    lacks: missing('clutch.breakAway'),
  };
  return [
    judge({
      id: 'clutch.stack',
      stage: 'gears',
      figure: r.of(stackOff),
      way: 'within',
      limit: r.limit('clutch.stack'),
      holds: 'Clutch pack has its maker’s height',
      fails: 'Clutch pack is not of its maker’s height',
      unknown: 'Clutch pack’s height: not known',
      reason: 'Its springs press as hard as the pack is high: too low it slips, too high it drags.',
      todo: `Another shim or plate in the pack. ${redo}`,
      at: 'clutch.stack',
      lacks: missing('clutch.stack', 'clutch.stackBook'),
    }),
    judge({
      id: 'clutch.soak',
      stage: 'gears',
      figure: r.figure('clutch.soak'),
      way: 'atLeast',
      limit: r.limit('clutch.soak'),
      holds: 'Clutch plates soaked long enough',
      fails: 'Clutch plates soaked too short',
      unknown: 'How long the clutch plates soaked: not known',
      reason: 'Dry plates burn on the first miles. Counted in minutes.',
      todo: 'Lay them in their oil, with its additive.',
      at: 'clutch.soak',
      lacks: missing('clutch.soak'),
    }),
    judge({
      ...slips,
      id: 'clutch.breakLeast',
      way: 'atLeast',
      limit: r.limit('clutch.breakLeast'),
      holds: 'Clutch pack holds until its break-away',
      fails: 'Clutch pack slips too early',
      unknown: 'Clutch pack’s break-away: not known',
      reason: 'Read after assembly, at one flange with the other held.',
      todo: `More preload: a thicker shim or stiffer springs. ${redo}`,
    }),
    judge({
      ...slips,
      id: 'clutch.breakMost',
      way: 'atMost',
      limit: r.limit('clutch.breakMost'),
      holds: 'Clutch pack lets go at its break-away',
      fails: 'Clutch pack slips too late',
      unknown: 'Clutch pack’s break-away: not known',
      reason: 'Read after assembly, at one flange with the other held.',
      todo: `Less preload: a thinner shim. ${redo}`,
    }),
  ];
});

/** Does the last trial of the set-up keep its windows, or was it taken as it is? */
export const settled = node('settled', (r): readonly Check[] => {
  const { trials, next } = r.of(setUp);
  const last = trials.at(-1);
  const mean = r.of(backlash);
  if (!last || !mean) return [];
  const { good, faults } = last.says;
  const verdict = r.verdict('gearSetUp');
  const taken = verdict?.verdict === 'accepted';
  return [
    judgeFact({
      id: 'gear.setUp',
      stage: 'gears',
      rests: { 'gear.trials': last, [mean.id]: mean },
      fault: good
        ? undefined
        : {
            level: 'caution',
            title: `Trial ${last.n}: ${faults.join('; ')}`,
            todo: mending(next),
          },
      holds: 'Gear set runs in the middle of its teeth',
      unknown: '',
      figure: mean,
      limit: r.limit('gear.backlashMost'),
      reason: taken
        ? `Taken as it is: ${verdict.reason} (${verdict.who}).`
        : 'Contact at the edge of a tooth whines, and breaks it under load.',
      at: 'gear.trials',
    }),
  ];
});
