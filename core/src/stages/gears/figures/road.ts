import { assumedAs, derive, given, type Figure, type Maybe } from '../../../measure';
import { waitsFor } from '../../../stage';
import { node, type Reads } from '../node';

/** Rolling circumference of the driven tyres: as rolled, else by their diameter. */
export const circumference = node('circumference', (r): Maybe => {
  const rolled = r.figure('gear.rolling');
  const D = r.figure('brief.tyreDiameter');
  if (rolled || !D) return rolled;
  const made = derive({
    id: 'gear.circumference',
    label: 'Rolling circumference',
    unit: 'mm',
    formula: '0.97·π·{D}',
    source: 'A loaded tyre rolls 0.97 of its free circumference',
    inputs: { D },
  });
  return assumedAs(
    made,
    'gear.rolling',
    'Rolling circumference',
    '0.97 of the free one; roll it one turn under load',
  );
});

/** Highest engine speed: as said, or the torque curve’s last. */
export const engineLimit = node('engineLimit', (r): Maybe => {
  const said = r.figure('gear.limit');
  const last = r.field('brief', 'torqueCurve').at(-1);
  if (said || !last) return said;
  const why = 'the torque curve’s last speed';
  return given('gear.limit', 'Engine at its limit', last.rpm, 0, 'rpm', {
    source: `Assumed: ${why}`,
    assumed: why,
  });
});

/** A gearbox ratio as a figure. @param i from 0; the last where it is below */
function gearOf(gears: readonly number[], i: number, id: string, label: string): Maybe {
  const ratio = gears.at(i);
  return ratio === undefined
    ? undefined
    : given(id, label, ratio, 0, 'count', { source: 'Gearbox ratios', waits: waitsFor(['gearbox']) });
}
export const firstGear = node('firstGear', (r): Maybe =>
  gearOf(r.field('brief', 'gears'), 0, 'gear.first', 'First gear'),
);
export const topGear = node('topGear', (r): Maybe => {
  const all = r.field('brief', 'gears');
  return all.length ? gearOf([Math.min(...all)], 0, 'gear.top', 'Highest gear') : undefined;
});

/** The gear that the run ends in: as said, else the highest, as assumed. */
export const finishGear = node('finishGear', (r): Maybe => {
  const said = r.figure('gear.finishGear')?.value;
  if (said !== undefined) return gearOf(r.field('brief', 'gears'), said - 1, 'gear.finish', `Gear ${said}`);
  const top = r.of(topGear);
  return top && assumedAs(top, 'gear.finishGear', 'Gear at the finish', 'the highest, until the gear is said');
});

/** What a converter loses in a gear, from 1; nothing behind a clutch or where it is locked. */
function slipIn(r: Reads, gear: number, id: string, label: string): Figure {
  const slip = r.figure('gear.slip');
  const locked = r.figure('gear.lockedFrom')?.value ?? 0;
  if (r.choice('coupling') === 'converter' && slip && !(locked > 0 && locked <= gear)) return slip;
  return given(id, label, 0, 0, 'ratio', 'A clutch, or a locked converter, loses nothing');
}

/** In the highest gear, and in the one that the run ends in. */
export const topSlip = node('topSlip', (r): Figure =>
  slipIn(r, r.field('brief', 'gears').length, 'gear.noSlip', 'Slip in the highest gear'),
);
export const finishSlip = node('finishSlip', (r): Figure => {
  const gear = r.figure('gear.finishGear')?.value ?? r.field('brief', 'gears').length;
  return slipIn(r, gear, 'gear.noFinishSlip', 'Slip in the gear at the finish');
});
