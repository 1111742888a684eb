import { track, et } from '../../stance/figures/stance';
import { demand } from '../../brief/figures/torque';
import { school } from '../../cut/figures/schools';
import { stand } from '../../cut/figures/stand';
import { steel } from '../../donor/figures/judged';
import { bySide } from '../../../geometry';
import { node, type Reads } from '../node';
import { shaftsStage } from '../shafts-stage';
import { strengthStage } from '../strength-stage';
import { inUse, stockBodies } from './in-use';
import { needsRead } from './needs';

/** Shafts of the chosen way in the axle as it stands by now. */
export const shafts = node('shafts', (r) => {
  const { half, tube } = r.of(stand);
  return shaftsStage({
    ...needsRead(r),
    standLeft: half.left,
    standRight: half.right,
    workedLeft: tube.left !== undefined,
    workedRight: tube.right !== undefined,
  });
});

/** The donor’s own shafts, those that are ordered, and those from stock. */
function sizesRead(r: Reads) {
  const [teeth, pitch, journal] = [
    r.figure('donor.splineTeeth'),
    r.figure('donor.splinePitch'),
    r.figure('donor.journal'),
  ];
  const body = r.figure('shaft.body');
  const stock = r.of(inUse);
  return {
    own: { teeth, pitch, body: bySide((side) => r.figure(`donor.shaftBody.${side}`)), journal },
    ordered: {
      teeth: r.figure('new.teeth') ?? teeth,
      pitch: r.figure('new.pitch') ?? pitch,
      body: { left: body, right: body },
      journal: r.figure('new.journal') ?? journal,
    },
    stock: {
      teeth: stock['new.teeth'],
      pitch: stock['new.pitch'],
      body: r.of(stockBodies),
      journal: stock['new.journal'],
    },
  };
}

/** What the shafts bear. */
export const strength = node('strength', (r) => {
  const { space } = r.of(stand);
  return strengthStage({
    shafts: r.of(shafts),
    school: r.of(school),
    steel: r.of(steel),
    to: r.choice('retentionTo'),
    demand: r.of(demand),
    ...sizesRead(r),
    rearAxle: r.figure('brief.rear'),
    tyreDiameter: r.figure('brief.tyreDiameter'),
    cgHeight: r.figure('brief.cgHeight'),
    corner: r.figure('shaft.corner'),
    track: r.of(track),
    spaceLeft: space.left,
    spaceRight: space.right,
    seat: r.figure('shaft.bearing'),
    et: r.of(et),
  });
});
