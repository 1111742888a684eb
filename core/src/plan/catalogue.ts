import { RAD_PER_DEGREE } from '../units';
import { SIDES, sideName, type Side } from '../geometry';
import { builder } from './builder';
import { DONOR_JUDGED, DONOR_MATING } from './donor-quantities';
import type { Launch, Use } from './brief';
import type { Fallback, Quantity } from './quantity';
import { HUBS, SHAFTS } from './hub-quantities';
import { STANCE } from './stance-quantities';
import { SURVEY_AFTER_AXLE } from './survey-quantities';
import { TUBE_WORK } from './tube-quantities';

const brief = builder('brief', 'The car', { instrument: 'chosen', datum: 'none' });
const load = builder('brief', 'Weights', { unit: 'kg', instrument: 'scale', datum: 'none' });
const size = builder('brief', 'Weights', { instrument: 'tape', datum: 'none' });
const engine = builder('brief', 'Engine and tyre', { unit: 'count', instrument: 'chosen', datum: 'none' });
const floor = builder('survey', 'Floor', { datum: 'level line' });
const height = builder('survey', 'Level', { datum: 'floor' });
const square = builder('survey', 'Square', { datum: 'hub centres' });
const oldAxle = builder('survey', 'Axle in the car');
const line = builder('survey', 'Driveline');
const middle = builder('donor', 'Centre section', { datum: 'pinion axis', instrument: 'caliper' });
const cutting = builder('cut', 'Saw and weld', { instrument: 'caliper', datum: 'none' });

/** Judgement, by what the car is for. */
const FRICTION: Readonly<Record<Use, Fallback>> = {
  road: { value: 1, why: 'a road tyre' },
  hillClimb: { value: 1.2, why: 'a soft tyre on the hill' },
  circuit: { value: 1.2, why: 'a soft tyre on the track' },
  strip: { value: 2, why: 'a strip tyre on a prepared strip' },
  trail: { value: 0.8, why: 'loose ground' },
};
const HOP: Readonly<Record<Launch, Fallback>> = {
  rolling: { value: 1, why: 'rolling on, the tyre does not hop' },
  normal: { value: 1.1, why: 'a standing start' },
  hard: { value: 1.25, why: 'a dumped clutch makes the tyre grab' },
};

const BRIEF: readonly Quantity[] = [
  brief(
    'brief.targetWidth',
    'WMS width wanted',
    'Wheel face to wheel face, as the stance needs it.',
    [600, 2600],
  ),
  brief('brief.mass', 'Mass with driver', 'Fuel and driver in, as it will be driven.', [200, 6000], {
    unit: 'kg',
  }),
  brief('brief.budget', 'Budget', 'All the axle may cost, in your own money.', [0, 1_000_000], {
    unit: 'money',
  }),
  brief('brief.hoursPerWeek', 'Hours a week', 'What you have for this job, evenings and weekends.', [1, 80], {
    unit: 'count',
    fallback: { value: 8, why: 'two evenings and a Saturday morning' },
  }),
  load(
    'brief.front',
    'Front axle load',
    'From corner scales, or a weighbridge one axle at a time.',
    [50, 4000],
  ),
  load('brief.rear', 'Rear axle load', 'From corner scales, or a weighbridge one axle at a time.', [50, 4000]),
  size('brief.wheelbase', 'Wheelbase', 'Front hub centre to rear hub centre.', [1200, 5000]),
  size(
    'brief.cgHeight',
    'Centre of gravity',
    'Its height from the ground; about a third of the roof’s.',
    [150, 1500],
    {
      instrument: 'chosen',
      fallback: { value: 520, why: 'a usual saloon, work out yours' },
    },
  ),
  size('brief.tyreDiameter', 'Tyre diameter', 'Outside diameter, free.', [350, 1300]),
  engine('brief.torque', 'Peak torque', 'At the flywheel. Not needed where the curve is given.', [20, 3000], {
    unit: 'Nm',
  }),
  engine('brief.stall', 'Converter multiplies at stall', '1 for a clutch.', [1, 4], {
    fallback: { value: 1, why: 'a clutch multiplies nothing' },
  }),
  engine('brief.axleRatio', 'Axle ratio', 'Turns of the pinion for one of the wheels.', [1.5, 8]),
  engine('brief.efficiency', 'Driveline efficiency', 'What arrives at the shafts.', [0.5, 1], {
    unit: 'ratio',
    fallback: { value: 0.9, why: 'a usual gearbox and hypoid axle' },
  }),
  engine(
    'brief.friction',
    'Tyre friction',
    'Greatest push over load; about 1 on the road, twice that for strip tyres.',
    [0.3, 3],
    { fallbackFor: ({ use }) => FRICTION[use] },
  ),
  engine(
    'brief.hop',
    'Tyre hop',
    'How much harder a hopping or grabbing tyre pulls than one that pushes evenly.',
    [1, 2],
    { fallbackFor: ({ launch }) => HOP[launch] },
  ),
];

/** The corners of the car, in walking order. */
export const CORNERS = ['leftFront', 'rightFront', 'rightRear', 'leftRear'] as const;
export type Corner = (typeof CORNERS)[number];
const CORNER_NAMES: Readonly<Record<Corner, string>> = {
  leftFront: 'left front',
  rightFront: 'right front',
  rightRear: 'right rear',
  leftRear: 'left rear',
};

const LEVEL: readonly Quantity[] = [
  ...CORNERS.map((c) =>
    floor(
      `level.floor.${c}`,
      `Floor, ${CORNER_NAMES[c]}`,
      'From a level line down to the floor under this tyre.',
      [0, 3000],
    ),
  ),
  ...CORNERS.map((c) =>
    height(
      `level.height.${c}`,
      `Sill, ${CORNER_NAMES[c]}`,
      'Floor to the end of the sill at this corner, car on its wheels.',
      [60, 1200],
    ),
  ),
  ...SIDES.map((side) =>
    square(
      `level.wheelbase.${side}`,
      `Wheelbase, ${side}`,
      'Front hub centre to rear hub centre on this side.',
      [1200, 5000],
    ),
  ),
  square(
    'level.sillLength',
    'Between the sill readings',
    'Along the car, from the front sill readings to the rear ones.',
    [400, 4000],
  ),
  square('level.track', 'Rear track', 'Tyre middle to tyre middle across the rear.', [800, 2500]),
  square('level.diagonal.leftFront', 'Diagonal, left front', 'Left front hub to right rear hub.', [1400, 6000]),
  square(
    'level.diagonal.rightFront',
    'Diagonal, right front',
    'Right front hub to left rear hub.',
    [1400, 6000],
  ),
];

const SURVEY: readonly Quantity[] = [
  oldAxle(
    'survey.left',
    'Centreline to left WMS',
    'Plumb line from the car’s centreline to the left wheel face.',
    [200, 1400],
    { needsLevel: true },
  ),
  oldAxle(
    'survey.pinion',
    'Pinion axis',
    'From the car’s centreline to the pinion axis, plus to the left.',
    [-400, 400],
    { needsLevel: true, later: 'the driveline' },
  ),
  oldAxle('survey.tubeOd', 'Tube outside diameter', 'Across the axle tube, clear of welds.', [25, 200], {
    instrument: 'caliper',
    datum: 'none',
  }),
  oldAxle(
    'survey.right',
    'Centreline to right WMS',
    'Plumb line from the car’s centreline to the right wheel face.',
    [200, 1400],
    { needsLevel: true },
  ),
  oldAxle(
    'survey.width',
    'WMS width',
    'Wheel face to wheel face across the car, in one reading.',
    [400, 2800],
    { datum: 'left WMS' },
  ),
  line(
    'survey.gearbox',
    'Gearbox output',
    'From the car’s centreline to the output axis, plus to the left.',
    [-400, 400],
    { needsLevel: true },
  ),
];

function donorSide(side: Side): readonly Quantity[] {
  const tube = builder('donor', `${sideName(side)} side`, { side, datum: 'pinion axis' });
  const shaft = builder('donor', `${sideName(side)} shaft`, { side, datum: 'inner end', instrument: 'rule' });
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

const CENTRE: readonly Quantity[] = [
  middle('donor.width', 'WMS width', 'Wheel face to wheel face, in one reading.', [400, 2800], {
    instrument: 'tape',
    datum: 'left WMS',
  }),
  middle('donor.tubeOd', 'Tube outside diameter', 'Across the tube, clear of the seam.', [25, 200], {
    datum: 'none',
  }),
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

function cutSide(side: Side): readonly Quantity[] {
  const mark = builder('cut', `${sideName(side)} tube`, { side, instrument: 'chosen', datum: 'casting face' });
  return [
    mark(`cut.mark.${side}`, 'First mark', 'Casting face to the inner scribe mark of the slug.', [0, 1200]),
    mark(`cut.endPiece.${side}`, 'End piece', 'Housing-end face to the end piece’s prepared edge.', [5, 600], {
      instrument: 'caliper',
      datum: 'housing-end face',
    }),
  ];
}

const CUT: readonly Quantity[] = [
  builder('cut', 'Pinion')(
    'cut.pinion',
    'Pinion wanted at',
    'From the middle of the WMS width, plus to the left.',
    [-400, 400],
    {
      instrument: 'chosen',
      datum: 'middle of the WMS width',
    },
  ),
  ...SIDES.flatMap(cutSide),
  cutting('cut.kerf', 'Blade kerf', 'Width of the slot this blade cuts, from a trial cut.', [0.2, 8], {
    fallback: { value: 1.6, off: 0.5, why: 'a usual thin disc, measure yours' },
  }),
  cutting('cut.gap', 'Root gap', 'Gap left between the edges for the weld.', [0, 8], {
    instrument: 'straightedge',
    fallback: { value: 2, off: 0.05, why: 'a usual root gap, set with a feeler' },
  }),
  cutting(
    'cut.shrink',
    'Weld pulls shorter',
    'How much shorter one butt gets, measured on your own weld.',
    [0, 5],
    {
      fallback: { value: 0.8, off: 0.5, why: 'default until this welder has measured' },
    },
  ),
  cutting(
    'cut.pull',
    'Next butt pulls',
    'What this welder’s welds on this axle have pulled: reckoned with on a side that is not tacked yet.',
    [0, 5],
    { instrument: 'rule' },
  ),
  cutting(
    'shaft.spline',
    'New shaft’s spline length',
    'Full-depth spline to ask the shaft maker for.',
    [10, 250],
    { instrument: 'chosen' },
  ),
  cutting(
    'shaft.step',
    'Round shaft length to',
    'Step the shaft maker works to; 0 orders the exact length.',
    [0, 5],
    {
      instrument: 'chosen',
      fallback: { value: 0.5, why: 'a usual order step' },
    },
  ),
];

/** When squareness was read. */
export type SquarePhase = 'before' | 'tacked' | 'welded';
export const SQUARE_PHASES: readonly SquarePhase[] = ['before', 'tacked', 'welded'];

/** The eight places round an end face, by clock angle in rad: 0 at the top, positive toward the front. */
export const CLOCKS = [
  { id: 'top', label: 'Top', clockRad: 0 },
  { id: 'topFront', label: 'Top front', clockRad: 45 * RAD_PER_DEGREE },
  { id: 'front', label: 'Front', clockRad: 90 * RAD_PER_DEGREE },
  { id: 'bottomFront', label: 'Bottom front', clockRad: 135 * RAD_PER_DEGREE },
  { id: 'bottom', label: 'Bottom', clockRad: 180 * RAD_PER_DEGREE },
  { id: 'bottomRear', label: 'Bottom rear', clockRad: 225 * RAD_PER_DEGREE },
  { id: 'rear', label: 'Rear', clockRad: 270 * RAD_PER_DEGREE },
  { id: 'topRear', label: 'Top rear', clockRad: 315 * RAD_PER_DEGREE },
] as const;

function squareSide(side: Side): readonly Quantity[] {
  const face = builder('cut', `Squareness, ${side}`, {
    side,
    instrument: 'caliper',
    datum: 'fixed ring on the tube',
  });
  const radius = face(
    `square.${side}.radius`,
    'Radius read at',
    'Tube centre to where the readings touch the end face.',
    [10, 200],
    {
      instrument: 'rule',
      datum: 'tube centre',
    },
  );
  const stations = SQUARE_PHASES.flatMap((phase) =>
    CLOCKS.map((c) =>
      face(
        `square.${side}.${phase}.${c.id}`,
        c.label,
        'Fixed ring to the end face; or an indicator on the alignment bar, more where the face stands farther out.',
        [-20, 1500],
      ),
    ),
  );
  return [radius, ...stations];
}

/** Every quantity, in walking order. */
export const QUANTITIES: readonly Quantity[] = [
  ...BRIEF,
  ...LEVEL,
  ...SURVEY,
  ...SURVEY_AFTER_AXLE,
  ...donorSide('left'),
  ...CENTRE,
  ...donorSide('right'),
  ...DONOR_JUDGED,
  ...DONOR_MATING,
  ...STANCE,
  ...CUT,
  ...TUBE_WORK,
  ...SIDES.flatMap(squareSide),
  ...SHAFTS,
  ...HUBS,
];

const BY_ID: ReadonlyMap<string, Quantity> = new Map(QUANTITIES.map((q) => [q.id, q]));

/** Looks a quantity up; undefined for an unknown id. */
export const findQuantity = (id: string): Quantity | undefined => BY_ID.get(id);

/** Looks a quantity up that is known to exist. @throws RangeError for an unknown id */
export function quantity(id: string): Quantity {
  const found = BY_ID.get(id);
  if (!found) throw new RangeError(`There is no quantity “${id}”.`);
  return found;
}

/** Name of a quantity that tells the side too: `Brake space, left`. */
export const quantityName = (q: Quantity): string => (q.side ? `${q.label}, ${q.side}` : q.label);

/** A label within a sentence: a small first letter, unless the word is one of capitals. */
export const inSentence = (label: string): string =>
  label.replace(/^\p{Lu}(?!\p{Lu})/u, (letter) => letter.toLowerCase());

/** Name of a quantity within a sentence. */
export const quantityInSentence = (q: Quantity): string => inSentence(quantityName(q));
