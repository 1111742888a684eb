import { bySide } from '../../geometry';
import { school } from '../cut/figures/schools';
import { axle } from '../donor/figures/axle';
import { taken } from './figures/in-use';
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

export const bears = node('bears', (r) => strengthChecks(r.of(strength), r.of(school) !== undefined, r.limit));
