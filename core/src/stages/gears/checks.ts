import { judge, type Check, unless, judgeFact } from '../../stage';
import { axlesApart, speedo } from './figures/others';
import { chosenSet } from './figures/ratios';
import { runQuestion } from './figures/run-car';
import { backlash, setUp } from './figures/set-up';
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
            todo: next?.pressing
              ? 'Change the pinion’s shim: its bearing is pressed off and on again.'
              : 'Move the carrier.',
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
