import { endsStage } from '../ends-stage';
import { node, type Reads } from '../node';

/** What the ends follow from. */
export const endsRead = (r: Reads) => ({
  from: r.choice('retention'),
  to: r.choice('retentionTo'),
  halfLeft: r.figure('donor.half.left'),
  halfRight: r.figure('donor.half.right'),
  shaftLeft: r.figure('donor.shaft.left'),
  shaftRight: r.figure('donor.shaft.right'),
  spaceLeft: r.figure('donor.brakeSpace.left'),
  spaceRight: r.figure('donor.brakeSpace.right'),
  newSpace: r.figure('convert.space'),
  floatShift: r.figure('float.shift'),
});

/** Halves, shafts and brake space with the ends the axle will have. */
export const ends = node('ends', (r) => endsStage(endsRead(r)));
