import type { Side } from '../../geometry';
import { quantities } from './headings';

const middle = quantities('centre', { datum: 'pinion axis', instrument: 'caliper' });

/** One side of the donor on the bench. */
export function donorSide(side: Side) {
  const tube = quantities(`${side}Side`, { side, datum: 'pinion axis' });
  const shaft = quantities(`${side}Shaft`, { side, datum: 'inner end', instrument: 'rule' });
  return [
    tube(
      `donor.half.${side}`,
      'Pinion axis to WMS',
      'Pinion axis to the wheel face, shaft pushed fully home.',
      [150, 1400],
    ),
    tube(
      `donor.casting.${side}`,
      'Pinion axis to casting face',
      'Pinion axis to where the tube leaves the casting.',
      [20, 500],
    ),
    tube(
      `donor.tube.${side}`,
      'Casting to housing end',
      'Casting face to the housing-end face, along the tube.',
      [20, 1200],
      { datum: 'casting face' },
    ),
    tube(
      `donor.brakeSpace.${side}`,
      'Brake space',
      'Housing-end face to WMS, shaft pushed fully home.',
      [0, 250],
      {
        datum: 'housing-end face',
        instrument: 'caliper',
      },
    ),
    shaft(`donor.shaft.${side}`, 'Shaft length', 'Wheel face to the inner end of the shaft.', [100, 1400]),
    shaft(`donor.shaftSpline.${side}`, 'Spline length', 'Full-depth spline, from the inner end.', [10, 250], {
      instrument: 'caliper',
    }),
    shaft(
      `donor.shaftBody.${side}`,
      'Smallest body diameter',
      'Smallest diameter of the bar between spline and bearing.',
      [10, 80],
      {
        instrument: 'caliper',
        datum: 'none',
      },
    ),
    middle(
      `donor.sideGear.${side}`,
      'Pinion axis to side-gear spline',
      'Pinion axis to the inner end of the side gear’s spline.',
      [0, 300],
      { side },
    ),
  ];
}

/** What is in its middle. */
export const CENTRE = [
  middle('donor.width', 'WMS width', 'Wheel face to wheel face, in one reading.', [400, 2800], {
    instrument: 'tape',
    datum: 'left WMS',
  }),
  middle('donor.tubeOd', 'Tube outside diameter', 'Across the tube, clear of the seam.', [25, 200], {
    datum: 'none',
  }),
  middle(
    'donor.rightTubeOd',
    'Right tube outside, where it differs',
    'Only where the right tube is another than the left.',
    [25, 200],
    {
      datum: 'none',
    },
  ),
  middle('donor.tubeWall', 'Tube wall', 'At the cut end, or by ultrasonic gauge.', [1, 30], { datum: 'none' }),
  middle('donor.splineTeeth', 'Spline teeth', 'Count them twice.', [6, 80], {
    unit: 'count',
    whole: true,
    instrument: 'count',
    datum: 'none',
  }),
  middle('donor.splinePitch', 'Spline pitch (per inch)', 'Diametral pitch, such as 24 in 31/24.', [4, 64], {
    unit: 'count',
    instrument: 'chosen',
    datum: 'none',
  }),
  middle('donor.splineMajor', 'Spline major diameter', 'Over the tops of the shaft’s teeth.', [10, 80], {
    datum: 'none',
  }),
  middle('donor.sideGearSpline', 'Side-gear spline length', 'Full-depth spline in one side gear.', [8, 120], {
    datum: 'none',
  }),
  middle('donor.crossShaft', 'Cross-shaft diameter', 'The pin through the differential pinions.', [6, 60], {
    datum: 'none',
  }),
  middle(
    'donor.endFloatMin',
    'End-float, least',
    'How far the shaft can move out from fully home, least.',
    [0, 10],
    {
      instrument: 'indicator',
      datum: 'shaft fully home',
      fallback: { value: 0, why: 'shaft fully home' },
    },
  ),
  middle(
    'donor.endFloatMax',
    'End-float, most',
    'How far the shaft can move out from fully home, most.',
    [0, 10],
    {
      instrument: 'indicator',
      datum: 'shaft fully home',
      fallback: { value: 0.5, off: 0.5, why: 'not read yet' },
    },
  ),
];
