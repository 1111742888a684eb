import { bySide, SIDES } from '../../geometry';
import { sized } from '../../measure';
import { unknownCheck, type Check } from '../../stage';
import { school } from '../cut/figures/schools';
import { axle } from '../donor/figures/axle';
import { taken } from './figures/in-use';
import { needs } from './figures/needs';
import { shafts, strength } from './figures/shafts';
import { stockSuits } from './figures/suits';
import { pairTrouble } from './in-use';
import { node } from './node';
import { shaftChecks } from './shaft-checks';
import { strengthChecks } from './strength-checks';

export const fit = node('fit', (r) => {
  const [from, to] = [r.choice('retention'), r.choice('retentionTo')];
  return shaftChecks(
    {
      shafts: r.of(shafts),
      retention: from,
      retentionTo: to,
      route: r.choice('shaftRoute'),
      use: r.field('brief', 'use'),
      splineMajor: r.of(axle).spline?.major,
      pairTrouble: pairTrouble(r.of(taken)),
      suits: bySide((side) => r.of(stockSuits)[side]),
      body: bySide((side) => r.figure(`donor.shaftBody.${side}`)),
      spline: bySide((side) => r.figure(`donor.shaftSpline.${side}`)),
      length: bySide((side) => r.figure(`donor.shaft.${side}`)),
      floatMin: r.figure('donor.endFloatMin'),
      floatMax: r.figure('donor.endFloatMax'),
      spareEnd: from === 'cClip' && to !== 'cClip' ? r.figure('convert.end') : undefined,
      received: bySide((side) => r.figure(`shaft.received.${side}`)),
    },
    r.limit,
  );
});

/** A shaft that came before it is known what it should be: kept, used where it can be, and said to be half of it. */
export const halfSaid = node('halfSaid', (r): readonly Check[] =>
  SIDES.flatMap((side): readonly Check[] => {
    const came = r.figure(`shaft.received.${side}`);
    if (!came || r.of(needs)?.[side]) return [];
    const lacks = (['brief.targetWidth', `donor.shaft.${side}`, `donor.half.${side}`] as const).filter(
      (id) => r.figure(id) === undefined,
    );
    return [
      unknownCheck({
        id: `shaft.half.${side}`,
        stage: 'shafts',
        unknown: `${side === 'left' ? 'Left' : 'Right'} shaft came, and what it should be is not known`,
        reason: `It measures ${sized(came.value)}. That is kept, and counts once the way to cut and what that wants are known.`,
        at: `shaft.received.${side}`,
        lacks,
      }),
    ];
  }),
);

export const bears = node('bears', (r) => strengthChecks(r.of(strength), r.of(school) !== undefined, r.limit));
