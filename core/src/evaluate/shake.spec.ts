import { describe, expect, it } from 'vitest';
import packhorse from '../../../examples/tern-packhorse.json';
import tern from '../../../examples/tern.json';
import { SIDES } from '../geometry';
import { expandedUncertainty, type InstrumentId, type Reading } from '../measure';
import { findQuantity, QUANTITIES, type Choices, type Plan } from '../plan';
import { SHEETS, sheetOf } from '../sheets';
import { wholePlan, reading } from '../testing/plans';
import { CLOCKS } from '../stages/cut/square-quantities';
import { templates } from '../stages/brackets/templates';
import { shaftOrder } from '../stages/shafts/shaft-order';
import { allFigures } from './all-figures';
import { evaluate } from './evaluate';
import { angles } from '../stages/survey/figures/car';
import { joints } from '../stages/donor/joints/joints';
import { ratios } from '../stages/gears/figures/ratios';
import { runQuestion } from '../stages/gears/figures/run-car';
import { patterns } from '../stages/hubs/figures/patterns';

const TODAY = '2026-11-26';
const demo = wholePlan(tern.plan as unknown as Plan);
const other = wholePlan(packhorse.plan as unknown as Plan);
type Put = Readonly<Record<string, readonly [value: number, instrument?: InstrumentId]>>;

const readings = (put: Put): Record<string, Reading> =>
  Object.fromEntries(
    Object.entries(put).map(([id, [v, instrument]]) => [
      id,
      reading(instrument ?? findQuantity(id)?.instrument ?? 'caliper', v),
    ]),
  );
const changed = (
  plan: Plan,
  put: Put,
  choices: Partial<Choices> = {},
  facts: Record<string, string> = {},
): Plan => ({
  ...plan,
  readings: { ...plan.readings, ...readings(put) },
  choices: { ...plan.choices, ...choices },
  facts: {
    ...plan.facts,
    ...Object.fromEntries(
      Object.entries(facts).map(([id, value]) => [
        id,
        { value, evidence: 'seen' as const, who: 'Ansa', at: '2026-10-17T09:20:00.000Z' },
      ]),
    ),
  },
});
const without = (plan: Plan, pattern: RegExp): Plan => ({
  ...plan,
  readings: Object.fromEntries(Object.entries(plan.readings).filter(([id]) => !pattern.test(id))),
});
const OLD_PLACE = { tool: 'rule', clock: 0.12, zero: 'flat' } as const;
const LINK_BRACKET = {
  kind: 'link',
  wide: 46,
  round: 60,
  high: 55,
  hold: 'welded',
  edge: 'middle',
  bolt: 16,
  plate: 6,
  leg: 5,
} as const;
const ARM = { side: 'pair', tool: 'tape' } as const;
const bySides = (put: Readonly<Record<string, readonly [number, number]>>): Put =>
  Object.fromEntries(
    Object.entries(put).flatMap(([id, [left, right]]) => [
      [id.replace('<side>', 'left'), [left]],
      [id.replace('<side>', 'right'), [right]],
    ]),
  );
const ACROSS = ['a', 'b', 'c', 'd'];
const across = (id: string, left: number, right: number) =>
  Object.fromEntries(ACROSS.map((d, i) => [`${id}.<side>.${d}`, [left + i / 100, right - i / 200] as const]));
/** Readings at eight places of both faces in a phase. */
const face = (phase: string): Put =>
  Object.fromEntries(
    SIDES.flatMap((side) =>
      CLOCKS.map(({ id }, i) => [
        `square.${side}.${phase}.${id}`,
        [0.05 + 0.02 * ((i * i) % 7), 'indicator'] as const,
      ]),
    ),
  );
const RADII: Put = { 'square.left.radius': [90, 'rule'], 'square.right.radius': [92, 'rule'] };
const ENDS = bySides({ 'cut.endPiece.<side>': [62, 61] });
const FLOORS: Put = Object.fromEntries(
  ['leftFront', 'rightFront', 'rightRear', 'leftRear'].map((c, i) => [
    `level.floor.${c}`,
    [812.4 - 3 * i] as const,
  ]),
);
const STUDS: Put = {
  'stud.length': [38],
  'stud.nut': [30],
  'stud.hat': [6],
  'stud.pad': [9],
  'spacer.thick': [8],
};

/** Plans in which a quantity matters. */
const PLANS = {
  demo,
  clutch: changed(demo, {
    'clutch.stack': [41.3],
    'clutch.stackBook': [41.22],
    'clutch.soak': [40],
    'clutch.breakAway': [90],
  }),
  plates: changed(demo, { 'perch.shift': [20], 'perch.archAhead': [70], 'perch.archBehind': [55] }),
  floors: changed(demo, FLOORS),
  endOff: changed(demo, ENDS, { method: 'endOff' }),
  tubes: changed(
    demo,
    {
      ...ENDS,
      ...bySides({ ...across('tube.bore', 76.2, 76.22), ...across('tube.od', 76.27, 76.29) }),
      'tube.insert': [58],
      'tube.inside': [63],
      'tube.hub': [104],
      'tube.yield': [350],
    },
    { method: 'newTubes' },
  ),
  float: changed(
    demo,
    {
      ...ENDS,
      ...bySides({
        ...across('float.bore', 63.5, 63.54),
        'float.camber.<side>': [0.004, 0.005],
        'float.toe.<side>': [0.002, 0.003],
      }),
      'donor.tubeWall': [6.1],
      'float.plug': [63.9],
      'float.depth': [38],
      'float.holes': [6],
      'float.play': [0.05],
      'float.shift': [20],
    },
    { method: 'endOff', retention: 'cClip', retentionTo: 'fullFloat' },
  ),
  pieces: changed(
    without(demo, /^leaf\./),
    {
      'drive.centre.along': [905],
      'drive.centre.side': [-9],
      'drive.centre.height': [281],
      'drive.frontOutside': [63.5],
      'drive.frontWall': [1.65],
    },
    { pieces: 'two', aim: 'preset' },
  ),
  auto: changed(
    demo,
    { 'gear.frontRatio': [3.9], 'gear.frontRolling': [1840] },
    { coupling: 'converter', driven: 'all' },
  ),
  bench: changed(demo, { 'bench.now': [0.21], 'bench.truss': [0.034] }),
  brackets: {
    ...changed(
      demo,
      {
        ...bySides({ 'old.casting.<side>': [96.2, 91.4], 'old.tube.<side>': [512, 508] }),
        'survey.pinion': [-4.5],
        'perch.old': [31],
        'perch.new': [26],
        'perch.pack': [52],
        'perch.stopGap': [240],
        'perch.pin': [14.2],
        'perch.pinHole': [15.1],
        'perch.shift': [12],
        'clamp.bolt': [12.7],
        'clamp.plate': [10],
        'clamp.nut': [14],
        'clamp.proud': [6],
        'clamp.corner': [15],
        'clamp.legs': [91],
        'link.low': [258],
        'link.high': [472],
        'link.share': [0.6],
        'brace.outside': [38.1],
        'brace.wall': [3.2],
        'brace.angle': [1.1],
        'brace.offset': [4],
      },
      { springsNow: 'over', springsWanted: 'under', boltBend: 'square' },
    ),
    brackets: {
      l: {
        ...LINK_BRACKET,
        name: 'Lower link L',
        side: 'left',
        old: { ...OLD_PLACE, datum: 'casting', at: 130 },
      },
      r: { ...LINK_BRACKET, name: 'Lower link R', side: 'right', old: { ...OLD_PLACE, datum: 'end', at: 240 } },
      lu: { ...LINK_BRACKET, name: 'Upper link L', side: 'left', old: { ...OLD_PLACE, datum: 'end', at: 410 } },
      ru: {
        ...LINK_BRACKET,
        name: 'Upper link R',
        side: 'right',
        old: { ...OLD_PLACE, datum: 'casting', at: 90 },
      },
      p: { ...LINK_BRACKET, name: 'Perch L', kind: 'perch', side: 'left', apart: 1010 },
    },
  },
  readShaft: changed(demo, { 'drive.readLength': [1189], 'drive.readSlope': [0.061] }, {}),
  motion: {
    ...changed(
      demo,
      {
        'motion.bush': [2600, 'chosen'],
        'motion.rearBrake': [0.34, 'chosen'],
        'motion.unsprung': [98, 'scale'],
        'motion.rollBar': [180, 'chosen'],
        'motion.squatWanted': [0.9, 'chosen'],
        'motion.wantedAlong': [1900, 'chosen'],
        'motion.wantedHeight': [420, 'chosen'],
        'coil.rate': [31, 'chosen'],
        'coil.free': [330],
        'coil.solid': [148],
        'coil.over': [58.5],
        'coil.frequency': [1.9, 'chosen'],
        'coil.seats': [24, 'chosen'],
        'damper.closed': [252],
        'damper.open': [441],
        'scales.leftFront': [262],
        'scales.rightFront': [251],
        'scales.leftRear': [231],
        'scales.rightRear': [244],
        'scales.raisedRear': [491.5],
        'scales.raisedBy': [402],
        'scales.trackFront': [1320],
        'scales.pressed': [120, 'scale'],
        'scales.pressedBy': [19],
      },
      { suspension: 'parallel' },
    ),
    searches: {
      spring: {
        asked: { rate: 31 },
        of: 9,
        found: [
          {
            number: 'WC-1',
            name: 'Coil spring',
            kind: 'spring',
            seller: 'Withy Shaftworks',
            price: 60,
            stock: 2,
            leadDays: 4,
            size: { rate: 31.5, free: 330, inside: 61, solid: 150 },
          },
        ],
        chosen: 'WC-1',
        from: 'counter',
        at: '2027-02-03T09:00:00.000Z',
        who: 'Ansa',
      },
    },
    arms: {
      lower: { ...ARM, name: 'Lower link', kind: 'lower', ax: -6, ay: 468, az: 243, cx: 561, cy: 462, cz: 268 },
      upper: {
        ...ARM,
        name: 'Upper link',
        kind: 'upper',
        ax: -31,
        ay: 428,
        az: 452,
        cx: 379,
        cy: 424,
        cz: 428,
      },
      bar: {
        ...ARM,
        name: 'Bar',
        kind: 'lateral',
        side: 'single',
        ax: -92,
        ay: -431,
        az: 296,
        cx: -97,
        cy: 437,
        cz: 314,
      },
      coil: { ...ARM, name: 'Coil-over', kind: 'coilOver', ax: 6, ay: 402, az: 360, cx: -40, cy: 360, cz: 705 },
    },
  },
  roomy: {
    ...changed(
      demo,
      {
        'leaf.front': [560],
        'leaf.rear': [710],
        'leaf.rate': [23.5, 'chosen'],
        'leaf.eye': [18],
        'body.casting': [128],
        'body.cover': [166],
        'body.yoke': [96],
      },
      { suspension: 'leaf' },
    ),
    obstacles: {
      high: { name: 'Floor', kind: 'point', x: 0, y: 0, z: 540 },
      behind: { name: 'Tank', kind: 'point', x: -230, y: 0, z: 290 },
      ahead: { name: 'Tunnel', kind: 'point', x: 240, y: 60, z: 290 },
    },
  },
  leafed: changed(
    demo,
    {
      'leaf.front': [560],
      'leaf.rear': [710],
      'leaf.rate': [23.5, 'chosen'],
      'leaf.eye': [18],
      'leaf.shackle': [82],
      'leaf.shackleOff': [0.35],
    },
    { suspension: 'leaf' },
  ),
  pinionWelded: changed(demo, { 'bench.welded': [0.0384] }),
  bolted: changed(
    demo,
    { 'convert.space': [63], 'convert.end': [14] },
    { retention: 'cClip', retentionTo: 'boltIn' },
  ),
  // The cross shaft nearly meets the shaft’s end: what lies beyond the clip’s groove may come off.
  tight: changed(
    demo,
    { 'convert.space': [63], 'convert.end': [14], 'donor.crossShaft': [35] },
    { retention: 'cClip', retentionTo: 'boltIn' },
  ),
  driveline: changed(demo, { 'cut.pinion': [-12, 'chosen'] }, { school: 'driveline' }),
  gearbox: without(changed(demo, {}, { school: 'driveline' }), /^cut\.pinion$/),
  tacked: changed(demo, bySides({ 'after.tacked.<side>': [498, 504] })),
  welded: changed(demo, bySides({ 'after.tacked.<side>': [498, 504], 'after.welded.<side>': [497, 503.2] })),
  spaced: changed(demo, STUDS, { spacer: 'plain' }),
  adapter: changed(
    demo,
    {
      ...STUDS,
      'spacer.thick': [25],
      'adapter.floor': [12],
      'adapter.nut': [14],
      'adapter.stud': [36],
      'stud.length': [30],
    },
    { spacer: 'adapter', pattern: 'adapter' },
  ),
  adapterLong: changed(
    demo,
    {
      ...STUDS,
      'spacer.thick': [25],
      'adapter.floor': [12],
      'adapter.nut': [9],
      'adapter.stud': [36],
      'stud.length': [46],
    },
    { spacer: 'adapter', pattern: 'adapter' },
  ),
  bar: changed(demo, { 'bar.length': [800], 'bar.rise': [20] }, {}, { 'bar.side': 'right' }),
  shortSpline: changed(demo, { 'shaft.spline': [30, 'chosen'] }),
  before: changed(without(demo, /^square/), { ...RADII, ...face('before') }),
  square: changed(without(demo, /^square/), { ...RADII, ...face('tacked') }),
  squareWelded: changed(without(demo, /^square/), { ...RADII, ...face('welded') }),
  redrill: changed(
    other,
    { 'jig.drill': [5, 'chosen'], 'jig.play': [0.05, 'chosen'], 'redrill.hole': [13] },
    { pattern: 'redrill' },
  ),
  priced: changed(
    demo,
    {
      'cost.brakes': [90, 'chosen'],
      'cost.plates': [20, 'chosen'],
      'cost.cover': [30, 'chosen'],
      'redrill.cost': [60, 'chosen'],
    },
    { pattern: 'redrill' },
    { 'part.brakes': 'missing', 'part.plates': 'missing', 'part.cover': 'missing' },
  ),
  priceOfAdapter: changed(demo, { 'adapter.cost': [80, 'chosen'] }, { pattern: 'adapter' }),
  uncurved: {
    ...demo,
    brief: { ...demo.brief, torqueCurve: [] },
    readings: { ...demo.readings, ...readings({ 'brief.torque': [420] }) },
  },
  // A light engine on a heavy tyre: the engine decides what the axle must carry.
  grip: changed(demo, { 'brief.friction': [2.6, 'chosen'], 'brief.axleRatio': [3, 'chosen'] }),
  own: changed(demo, {}, { shaftRoute: 'shorten' }),
  rotor: changed(demo, { 'brake.bore': [60] }),
} as const satisfies Record<string, Plan>;
type PlanName = keyof typeof PLANS;

/** Family of quantities, the plan it matters in, what must move; a number first is what it is set to. */
type Row = readonly [family: string, plan: PlanName, moves: string, to?: number];

const TABLE: readonly Row[] = [
  [
    'brief.targetWidth',
    'demo',
    'evenUp.half.left evenUp.cut.right stand.width mark.outer.left evenUp.fitted.left stance.track',
  ],
  ['brief.mass', 'demo', 'brief.weights'],
  ['brief.budget', 'demo', '!brief.budget'],
  ['brief.hoursPerWeek', 'demo', '!brief.date'],
  ['brief.front', 'demo', 'brief.weights motion.brakeLoad'],
  ['brief.rear', 'demo', 'brief.rearLoad brief.demand shear.left strength.bending.left'],
  ['brief.wheelbase', 'demo', 'brief.rearLoad brief.demand'],
  ['brief.cgHeight', 'demo', 'brief.rearLoad brief.demand'],
  ['brief.tyreDiameter', 'demo', 'brief.demand stance.radial.left tyre.diameterOff'],
  ['brief.torque', 'uncurved', 'brief.pull brief.engineSide'],
  ['brief.stall', 'demo', 'brief.pull brief.engineSide', 1.6],
  ['brief.axleRatio', 'grip', 'brief.engineSide brief.demand'],
  ['brief.efficiency', 'demo', 'brief.pull brief.engineSide'],
  ['brief.friction', 'demo', 'brief.tractionSide brief.demand'],
  ['brief.hop', 'demo', 'brief.tractionSide brief.demand shear.right'],
  ['level.floor.<corner>', 'floors', 'level.packing.<corner>'],
  ['level.height.<corner>', 'demo', 'level.twist level.pitch'],
  ['level.wheelbase.<side>', 'demo', 'level.thrust'],
  ['level.sillLength', 'demo', 'level.pitch'],
  ['level.track', 'demo', 'level.thrust'],
  ['level.diagonal.<front>', 'demo', 'level.diagonals'],
  ['survey.<side>', 'demo', 'survey.offset survey.closure'],
  ['survey.width', 'demo', 'survey.closure'],
  ['survey.tubeOd', 'demo', 'survey.tube'],
  ['survey.gearbox', 'gearbox', 'driveline.pinion driveline.half.left mark.outer.right'],
  [
    'room.in.ride.<height>.<side>',
    'demo',
    'gap.ride.room.in.ride.<height>.<side> gap.corner.room.in.ride.<height>.<side> room.ride.<side>',
  ],
  [
    'room.in.bump.<height>.<side>',
    'demo',
    'gap.bump.room.in.bump.<height>.<side> gap.outer.room.in.bump.<height>.<side> room.bump.<side>',
  ],
  ['room.out.ride.<side>', 'demo', 'gap.outer.room.out.bump.<side>'],
  ['room.out.bump.<side>', 'demo', 'gap.bump.room.out.bump.<side> gap.outer.room.out.bump.<side>'],
  ['room.lip.<side>', 'demo', 'stance.radial.<side>'],
  ['line.flangeBolts', 'demo', '&pinionFlange'],
  ['line.flangePcd', 'demo', '&pinionFlange'],
  ['line.flangePilot', 'demo', '&pinionFlange'],
  ['spring.spacing', 'demo', 'perch.room.left perch.room.right'],
  ['spring.width', 'demo', 'perch.room.left perch.room.right'],
  ['spring.mount.<side>', 'demo', 'survey.mounts'],
  ['spring.bolt', 'demo', 'survey.play'],
  ['spring.hole', 'demo', 'survey.play'],
  ['spring.bump', 'demo', 'stance.radial.left stance.radial.right'],
  ['spring.droop', 'bar', 'gap.droop.room.in.ride.top.left'],
  ['shock.length.<side>', 'demo', 'survey.shocks'],
  ['car.wheelHoles', 'demo', 'stud.reserve &wheelPattern =order'],
  ['car.wheelPcd', 'demo', 'stud.reserve &wheelPattern =order'],
  ['car.wheelBore', 'demo', '&wheelPilot =order'],
  ['car.hoseReach', 'demo', 'brake.hose'],
  ['angle.flat', 'demo', 'slope.angle.pinion slope.angle.perch.left'],
  ['angle.pinion', 'demo', 'slope.angle.pinion'],
  ['angle.gearbox', 'demo', '~angle.gearbox'],
  ['angle.shaft', 'demo', '~angle.shaft'],
  ['angle.perch.<side>', 'demo', 'slope.angle.perch.<side>'],
  [
    'donor.half.<side>',
    'demo',
    'evenUp.cut.<side> spacing.<side> mark.outer.<side> donor.closure.<side> donor.widthClosure',
  ],
  ['donor.casting.<side>', 'demo', 'donor.closure.<side> perch.room.<side>'],
  ['donor.tube.<side>', 'demo', 'donor.closure.<side> tube.wanted.<side> tube.welded.<side>'],
  ['donor.brakeSpace.<side>', 'demo', 'donor.closure.<side> brake.shim.<side> strength.arm.<side>'],
  ['donor.shaft.<side>', 'demo', 'evenUp.shaft.<side> evenUp.fitted.<side> =order'],
  ['donor.shaftSpline.<side>', 'redrill', '=order'],
  ['donor.shaftBody.<side>', 'own', 'strength.twist.<side>'],
  ['donor.sideGear.<side>', 'shortSpline', 'engaged.in.<side> engaged.share.<side> strength.pressure.<side>'],
  ['donor.width', 'demo', 'donor.widthClosure'],
  ['donor.tubeOd', 'square', 'square.left.tacked.mend survey.tube'],
  ['donor.tubeWall', 'float', 'float.wall.left float.wall.right'],
  ['donor.splineTeeth', 'demo', 'spline.pitch spline.major capacity.left strength.shear.left =order'],
  ['donor.splinePitch', 'demo', 'spline.pitch spline.major capacity.left =order'],
  ['donor.splineMajor', 'demo', 'spline.off'],
  ['donor.sideGearSpline', 'demo', 'engaged.in.left engaged.out.right'],
  ['donor.crossShaft', 'demo', 'shaft.gap.left shaft.gap.right'],
  ['donor.endFloatMin', 'shortSpline', 'engaged.in.left engaged.in.right'],
  ['donor.endFloatMax', 'shortSpline', 'engaged.out.left engaged.out.right'],
  ['ratio.ring', 'demo', 'ratio.byTeeth'],
  ['ratio.pinion', 'demo', 'ratio.byTeeth'],
  ['ratio.wheelTurns', 'demo', 'ratio.byTurns'],
  ['ratio.pinionTurns', 'demo', 'ratio.byTurns'],
  ['slip.torque', 'demo', '!donor.slip', 0],
  ['cond.runout.<side>', 'demo', '!cond.runout.<side>'],
  ['cond.journal.<side>', 'demo', '!cond.journal.<side>'],
  ['cond.straight', 'demo', '!cond.straight'],
  ['cost.donor', 'demo', '!brief.budget'],
  ['cost.brakes', 'priced', '!brief.budget'],
  ['cost.plates', 'priced', '!brief.budget'],
  ['cost.cables', 'demo', '!brief.budget'],
  ['cost.hoses', 'demo', '!brief.budget'],
  ['cost.ubolts', 'demo', '!brief.budget'],
  ['cost.cover', 'priced', '!brief.budget'],
  ['cost.shafts', 'demo', '!brief.budget'],
  ['cost.machining', 'demo', '!brief.budget'],
  ['redrill.cost', 'priced', '!brief.budget'],
  ['adapter.cost', 'priceOfAdapter', '!brief.budget'],
  ['time.hours', 'demo', '!brief.date'],
  ['time.lead', 'demo', '!brief.date'],
  ['donor.flangeHoles', 'demo', '&wheelPattern'],
  ['donor.flangePcd', 'demo', '&wheelPattern'],
  ['donor.flangeHole', 'demo', 'stud.pressed'],
  ['donor.flangeRim', 'redrill', '%face'],
  ['donor.pilot', 'demo', '&wheelPilot'],
  ['donor.journal', 'own', 'strength.bending.left !joint.bearing'],
  ['new.journal', 'demo', 'strength.bending.left strength.bendingFactor.right !joint.bearing', 36.4],
  ['new.teeth', 'demo', 'strength.shear.left =order', 33],
  ['new.pitch', 'demo', 'strength.shear.left =order', 20],
  ['donor.bearingBore', 'demo', '!joint.bearing &bearing'],
  ['donor.bearingWidth', 'demo', '&bearing'],
  ['donor.sealJournal', 'demo', '&seal'],
  ['donor.sealBore', 'demo', '&seal'],
  ['donor.endWide', 'demo', '&brakeBracket'],
  ['donor.endHigh', 'demo', '&brakeBracket'],
  ['brake.endWide', 'demo', '&brakeBracket'],
  ['brake.endHigh', 'demo', '&brakeBracket'],
  ['brake.bore', 'rotor', '&brakeBracket', 90],
  ['donor.pinionBolts', 'demo', '&pinionFlange'],
  ['donor.pinionPcd', 'demo', '&pinionFlange'],
  ['donor.pinionPilot', 'demo', '&pinionFlange'],
  ['donor.angle.flat', 'demo', 'slope.donor.angle.pinion'],
  ['donor.angle.pinion', 'demo', 'slope.donor.angle.pinion'],
  ['donor.angle.perch.<side>', 'demo', 'slope.donor.angle.perch.<side>'],
  ['wheel.rim', 'demo', 'stance.section stance.backspace gap.ride.room.in.ride.top.left'],
  ['wheel.et', 'demo', 'stance.track stance.backspace gap.ride.room.in.ride.low.right strength.arm.left'],
  ['tyre.section', 'demo', 'stance.section gap.ride.room.in.ride.top.left', 172],
  [
    'stance.offCentre',
    'demo',
    'gap.ride.room.in.ride.top.left gap.ride.room.in.ride.top.right perch.room.left',
  ],
  ['stance.shift', 'demo', 'gap.bump.room.in.bump.top.left gap.corner.room.in.ride.low.right'],
  ['stance.lean', 'demo', 'gap.corner.room.in.ride.top.left gap.outer.room.out.bump.left'],
  ['bar.length', 'bar', 'gap.bump.room.in.bump.top.left'],
  ['bar.rise', 'bar', 'gap.bump.room.in.bump.top.left'],
  ['brake.radius', 'demo', 'stance.caliper'],
  ['rim.inside', 'demo', 'stance.caliper brake.rim'],
  ['spacer.thick', 'spaced', 'stance.et stance.track stud.engaged strength.arm.left'],
  ['cut.pinion', 'driveline', 'driveline.pinion driveline.half.left driveline.cut.right'],
  ['cut.mark.<side>', 'demo', 'mark.inner.<side> mark.outer.<side> mark.toEnd.<side>'],
  ['cut.endPiece.<side>', 'endOff', 'mark.inner.<side> mark.outer.<side> mark.left.<side>'],
  ['cut.kerf', 'demo', 'slug.left slug.right'],
  ['cut.gap', 'demo', 'spacing.left mark.outer.right'],
  ['cut.shrink', 'demo', 'spacing.left tube.tacked.left mark.outer.right'],
  ['cut.pull', 'demo', 'spacing.left spacing.right', 1.7],
  ['shaft.spline', 'demo', '=order'],
  ['shaft.step', 'demo', 'evenUp.fitted.left evenUp.fitted.right', 7],
  ['after.tacked.<side>', 'tacked', 'stand.tube.<side> after.tackedOff.<side> strength.arm.<side>'],
  ['after.welded.<side>', 'welded', 'stand.tube.<side> after.weldedOff.<side> after.pull.<side>'],
  ['tube.inside', 'tubes', 'tube.pressure.left tube.force.right'],
  ['tube.hub', 'tubes', 'tube.pressure.left tube.stress.right'],
  ['tube.insert', 'tubes', 'tube.piece.left tube.force.right'],
  ['tube.yield', 'tubes', 'tube.stress.left'],
  ['tube.bore.<side>.<across>', 'tubes', 'tube.boreOval.<side> tube.least.<side>', 76.28],
  ['tube.od.<side>.<across>', 'tubes', 'tube.outside.<side> tube.tubeOval.<side>', 76.2],
  ['float.plug', 'float', 'float.turnOff.left'],
  ['float.play', 'float', 'float.plug.left float.turnOff.right'],
  ['float.depth', 'float', 'float.holeFrom.left'],
  ['float.holes', 'float', 'float.holeStep.left float.holeStep.right'],
  ['float.shift', 'float', 'ends.moved.left evenUp.cut.left'],
  ['float.camber.<side>', 'float', 'float.angle.<side>'],
  ['float.toe.<side>', 'float', 'float.angle.<side>'],
  ['float.bore.<side>.<across>', 'float', 'float.inside.<side> float.wall.<side>', 63.1],
  ['square.<side>.radius', 'square', 'square.<side>.tacked.tilt square.<side>.tacked.mend'],
  ['square.<side>.before.<clock>', 'before', 'square.<side>.before.tilt'],
  ['square.<side>.tacked.<clock>', 'square', 'square.<side>.tacked.tilt square.<side>.tacked.mend'],
  ['square.<side>.welded.<clock>', 'squareWelded', 'square.<side>.welded.tilt'],
  ['shaft.body', 'demo', 'strength.twist.left strength.twistApart =order'],
  ['shaft.bearing', 'demo', 'strength.arm.left strength.moment.right strength.bending.left'],
  ['shaft.corner', 'demo', 'strength.moment.left strength.bending.right'],
  ['shaft.yield', 'demo', 'strength.factor.left strength.bendingFactor.right capacity.left', 700],
  ['shaft.tensile', 'demo', 'strength.fatigue.left strength.fatigue.right', 1150],
  ['shaft.shoulder', 'demo', '=order'],
  ['shaft.clipPlace', 'demo', '=order'],
  ['shaft.clipWidth', 'demo', '=order'],
  ['shaft.clipDiameter', 'demo', '=order'],
  ['shaft.made', 'demo', 'stand.half.left shaft.asMade.right'],
  ['shaft.received.<side>', 'demo', 'stand.half.<side> stand.width stance.track', 683.7],
  ['shaft.pilotPlay', 'demo', '=order'],
  ['redrill.hole', 'redrill', '%face'],
  ['jig.drill', 'redrill', '%jig'],
  ['jig.play', 'redrill', '%jig'],
  ['stud.length', 'spaced', 'stud.engaged', 35],
  ['stud.hat', 'spaced', 'stud.engaged'],
  ['stud.whole', 'demo', '!stud.whole', 14],
  ['clutch.stack', 'clutch', 'clutch.stackOff !clutch.stack', 40.6],
  ['clutch.stackBook', 'clutch', 'clutch.stackOff !clutch.stack', 42],
  ['clutch.soak', 'clutch', '!clutch.soak', 12],
  ['clutch.breakAway', 'clutch', '!clutch.breakLeast', 20],
  ['perch.archAhead', 'plates', 'perch.archLeft !perch.arch', 22],
  ['perch.archBehind', 'plates', 'perch.archLeft !perch.arch', 4],
  ['leaf.shackle', 'leafed', 'leaf.shackle.bump leaf.shackle.droop'],
  ['leaf.shackleOff', 'leafed', 'leaf.shackle.ride leaf.shackle.bump'],
  ['shaft.flange', 'demo', '=order'],
  ['donor.rightTubeOd', 'brackets', 'clamp.developed.right clamp.legs.right', 81],
  ['stud.pad', 'spaced', 'stud.engaged'],
  ['stud.nut', 'demo', 'stud.engaged', 7],
  ['stud.knurl', 'demo', 'stud.pressed'],
  ['stud.torque', 'demo', 'stud.clamp stud.stress stud.reserve'],
  ['adapter.floor', 'adapter', 'stud.flange.engaged'],
  ['adapter.nut', 'adapterLong', 'stud.flange.engaged'],
  ['adapter.stud', 'adapter', 'stud.engaged'],
  ['convert.space', 'bolted', 'ends.half.left ends.moved.right evenUp.cut.left'],
  ['convert.end', 'tight', '!shaft.gap.left', 30],
  ['rotor.diameter', 'demo', 'brake.radius.effective brake.rim'],
  ['rotor.thick', 'demo', '@brakes'],
  ['rotor.offset', 'demo', 'brake.rotor.left brake.shim.right'],
  ['caliper.middle', 'demo', 'brake.shim.left brake.shim.right'],
  ['pad.height', 'demo', 'brake.radius.effective'],
  ['hose.droop', 'demo', 'brake.hose'],
  ['line.shaft', 'demo', 'drive.againstOld @driveshaft'],
  ['line.tunnel', 'demo', 'drive.tunnelSide !drive.tunnel'],
  ['drive.along', 'demo', 'line.shaft1.length line.joint1 drive.fromSeal drive.change.bump'],
  ['drive.height', 'demo', 'line.shaft1.slope line.joint1 drive.gap.floor'],
  ['drive.plan', 'demo', 'line.joint1 drive.torsional'],
  ['drive.axleHeight', 'demo', 'line.pinion.height line.joint2'],
  ['drive.nose', 'demo', 'line.pinion.along line.shaft1.length'],
  ['drive.drop', 'demo', 'line.pinion.height line.shaft1.slope'],
  ['drive.pinionPlan', 'demo', 'line.joint2 line.pinion.side'],
  ['drive.slope', 'demo', 'drive.running line.joint2 bench.perch.left bench.turn.right @bench'],
  ['drive.preset', 'pieces', 'drive.preset.set bench.perch.left'],
  ['drive.band', 'pieces', '!drive.band'],
  ['drive.rpm', 'demo', 'drive.torsional drive.inertia1 drive.whip1'],
  ['drive.centre.along', 'pieces', 'line.shaft1.length line.shaft2.length'],
  ['drive.centre.side', 'pieces', 'line.shaft1.plan line.joint2'],
  ['drive.centre.height', 'pieces', 'line.shaft2.slope line.joint3'],
  ['drive.centre.play', 'pieces', '@driveshaft'],
  ['drive.outside', 'demo', 'drive.critical1 drive.gap.floor @driveshaft'],
  ['drive.wall', 'demo', 'drive.critical1'],
  ['drive.frontOutside', 'pieces', 'drive.critical1'],
  ['drive.frontWall', 'pieces', 'drive.critical1 !drive.whip1'],
  ['drive.phase', 'demo', 'drive.torsional'],
  ['drive.bottom', 'demo', 'drive.toBottom'],
  ['drive.engaged', 'demo', 'drive.beyondLeast'],
  ['drive.least', 'demo', 'drive.beyondLeast !drive.beyondLeast'],
  ['drive.seal', 'demo', 'drive.fromSeal'],
  ['drive.flange', 'demo', 'drive.toFlange'],
  ['drive.readLength', 'readShaft', 'drive.offLength'],
  ['drive.readSlope', 'readShaft', 'drive.offSlope'],
  ['survey.pinion', 'brackets', 'frame.old.casting.left frame.old.end.right bracket.l.fromCasting'],
  ...SIDES.flatMap((side): Row[] => [
    [
      `old.casting.${side}`,
      'brackets',
      `frame.old.casting.${side} bracket.${side === 'left' ? 'l' : 'ru'}.fromCasting`,
    ],
    [
      `old.tube.${side}`,
      'brackets',
      `frame.old.end.${side} bracket.${side === 'left' ? 'lu' : 'r'}.fromCasting`,
    ],
  ]),
  ['perch.old', 'brackets', 'perch.drop perch.bumpLeft !perch.flip'],
  ['perch.new', 'brackets', 'perch.drop clamp.leg.left clamp.developed.right'],
  ['perch.pack', 'brackets', 'perch.drop clamp.leg.left'],
  ['perch.stopGap', 'brackets', 'perch.bumpLeft !perch.flip'],
  ['perch.pin', 'brackets', 'perch.play !perch.pin'],
  ['perch.pinHole', 'brackets', 'perch.play !perch.pin'],
  ['perch.shift', 'brackets', 'perch.wheelbase'],
  ['clamp.bolt', 'brackets', 'clamp.arc.left clamp.legs.right !clamp.fit.left'],
  ['clamp.plate', 'brackets', 'clamp.leg.left'],
  ['clamp.nut', 'brackets', 'clamp.leg.right'],
  ['clamp.proud', 'brackets', 'clamp.developed.left'],
  ['clamp.corner', 'brackets', 'clamp.arc.left clamp.developed.right'],
  ['clamp.legs', 'brackets', '!clamp.fit.left !clamp.fit.right'],
  ['link.low', 'brackets', 'link.load.lower link.load.upper'],
  ['link.high', 'brackets', 'link.load.lower !bracket.l.shear'],
  ['link.share', 'brackets', 'link.load.one.upper !bracket.l.weld'],
  ['brace.outside', 'brackets', '%notch'],
  ['brace.wall', 'brackets', '%notch'],
  ['brace.angle', 'brackets', '%notch'],
  ['brace.offset', 'brackets', '%notch'],
  ['motion.bush', 'motion', 'motion.bindForce motion.addedRoll'],
  ['motion.rearBrake', 'motion', 'motion.antiLift'],
  ['motion.unsprung', 'motion', 'motion.corner arm.coil.left.frequency arm.lower.left.load.launch'],
  ['motion.rollBar', 'motion', 'motion.roll.all'],
  ['motion.squatWanted', 'motion', 'motion.off.squat'],
  ['motion.wantedAlong', 'motion', 'motion.off.icAlong'],
  ['motion.wantedHeight', 'motion', 'motion.off.icHeight'],
  ['leaf.front', 'leafed', 'motion.pinion.bump leaf.perRise leaf.windUp'],
  ['leaf.rear', 'leafed', 'motion.pinion.droop leaf.perRise'],
  ['leaf.rate', 'leafed', 'leaf.windUp'],
  ['leaf.eye', 'leafed', 'motion.x.bump'],
  ['coil.rate', 'motion', 'arm.coil.left.wheelRate arm.coil.right.springRide'],
  ['coil.free', 'motion', 'arm.coil.left.springRide !arm.coil.right.solid'],
  ['coil.solid', 'motion', 'arm.coil.left.left !arm.coil.left.solid'],
  ['coil.over', 'motion', 'coil.taken.room !coil.over'],
  ['body.casting', 'roomy', 'obstacle.high.room'],
  ['body.cover', 'roomy', 'obstacle.behind.room'],
  ['body.yoke', 'roomy', 'obstacle.ahead.room'],
  ['coil.frequency', 'motion', 'coil.wanted.rate coil.wanted.free'],
  ['coil.seats', 'motion', 'coil.wanted.free'],
  ['damper.closed', 'motion', 'arm.coil.left.toClosed !arm.coil.right.closed'],
  ['damper.open', 'motion', 'arm.coil.left.toOpen !arm.coil.right.open'],
  ['scales.leftFront', 'motion', 'scales.mass scales.fromRear scales.cross scales.height'],
  ['scales.rightFront', 'motion', 'scales.left scales.front'],
  ['scales.leftRear', 'motion', 'scales.left scales.rear'],
  ['scales.rightRear', 'motion', 'scales.cross scales.rear'],
  ['scales.raisedRear', 'motion', 'scales.height motion.antiSquat'],
  ['scales.raisedBy', 'motion', 'scales.height motion.aboveNeutral'],
  ['scales.trackFront', 'motion', 'scales.left'],
  ['scales.pressed', 'motion', 'scales.rate'],
  ['scales.pressedBy', 'motion', 'scales.rate'],
  ['bench.now', 'bench', 'bench.flat.byLevel bench.perch.left.byLevel'],
  ['bench.truss', 'bench', 'bench.trussFlat bench.truss.rise'],
  ['bench.welded', 'pinionWelded', 'line.joint2 drive.torsional drive.weldedOff @driveshaft'],
  ['bench.level', 'bench', 'bench.flat.rise'],
  ['gear.launchLow', 'demo', '#marks', 14],
  ['gear.launchHigh', 'demo', '#marks', 10],
  ['gear.finishSpeed', 'demo', 'gear.here.finish'],
  ['gear.finishGear', 'demo', 'gear.here.finish'],
  ['gear.finishRpm', 'demo', '#marks'],
  ['gear.cruiseSpeed', 'demo', 'gear.here.cruise'],
  ['gear.cruiseRpm', 'demo', '#marks', 2000],
  ['gear.limit', 'demo', 'gear.here.top #run'],
  ['gear.rolling', 'demo', 'gear.here.cruise gear.speedo #run'],
  ['gear.slip', 'auto', 'gear.here.cruise #run'],
  ['gear.lockedFrom', 'auto', 'gear.here.cruise #run', 3],
  ['gear.frontRatio', 'auto', 'gear.axles'],
  ['gear.frontRolling', 'auto', 'gear.axles !gear.axles'],
  ['gear.oldRatio', 'demo', 'gear.speedo'],
  ['gear.oldRolling', 'demo', 'gear.speedo'],
  ['gear.speedoTeeth', 'demo', 'gear.speedoTeethWanted'],
  ['gear.distance', 'demo', '#run'],
  ['gear.grade', 'demo', '#run'],
  ['gear.shiftRpm', 'demo', '#run', 5000],
  ['gear.shiftTime', 'demo', '#run'],
  ['gear.launchRpm', 'demo', '#run'],
  ['gear.drag', 'demo', '#run'],
  ['gear.rollingResistance', 'demo', '#run'],
  ['gear.ringDiameter', 'demo', 'gear.ringDiameter'],
];

const PLACES: Readonly<Record<string, readonly string[]>> = {
  '<side>': SIDES,
  '<corner>': ['leftFront', 'rightFront', 'rightRear', 'leftRear'],
  '<front>': ['leftFront', 'rightFront'],
  '<height>': ['low', 'axle', 'top'],
  '<across>': ACROSS,
  '<clock>': CLOCKS.map((c) => c.id),
};

/** One row for each quantity of a family. */
function spread([family, plan, moves, to]: Row): Row[] {
  const place = Object.keys(PLACES).find((p) => family.includes(p));
  if (!place) return [[family, plan, moves, to] as Row];
  return (PLACES[place] ?? []).flatMap((name) =>
    spread([family.replaceAll(place, name), plan, moves.replaceAll(place, name), to] as Row),
  );
}
const ROWS = TABLE.flatMap(spread);

/** Enough digits to tell a change, and none of the dust of binary rounding. */
const sure = (value: number): string => value.toPrecision(9);

/** Everything that can move, as text, under the name by which the table asks for it. */
function everything(plan: Plan): ReadonlyMap<string, string> {
  const r = evaluate(plan, TODAY);
  const text = (value: unknown) =>
    JSON.stringify(value, (_key, v: unknown) =>
      typeof v === 'object' && v !== null && 'contributions' in v ? (v as { value?: unknown }).value : v,
    ) ?? '';
  return new Map<string, string>([
    ...[...allFigures(r)].map(([id, f]) => [id, `${sure(f.value)} ± ${sure(expandedUncertainty(f))}`] as const),
    ...r.checks.map(
      (c) => [`!${c.id}`, `${c.level} ${c.figure?.value ?? ''} ${c.title} ${c.reason} ${c.todo}`] as const,
    ),
    ...r.of(joints).map((j) => [`&${j.id}`, text([j.verdict, j.computed, j.faces])] as const),
    ...r.of(angles).map((a) => [`~${a.id}`, text(a)] as const),
    ...SHEETS.filter((s) => s.id !== 'cut').map(
      (s) => [`@${s.id}`, text(sheetOf(s, r, 'mm').sections)] as const,
    ),
    ['=order', text(r.of(shaftOrder))],
    ['%jig', text(r.of(patterns).jig)],
    ['%notch', text(r.of(templates.notch))],
    ['%face', text(r.of(patterns).face)],
    ['#marks', text(r.of(ratios).map((row) => row.marks))],
    ['#run', text(r.of(runQuestion))],
  ]);
}

const kept = new Map<PlanName, ReadonlyMap<string, string>>();
function before(name: PlanName): ReadonlyMap<string, string> {
  const now = kept.get(name) ?? everything(PLANS[name]);
  kept.set(name, now);
  return now;
}

function shaken([id, name, , to]: Row): ReadonlyMap<string, string> {
  const plan: Plan = PLANS[name];
  const q = findQuantity(id);
  if (!q) throw new RangeError(`${id} is no quantity.`);
  const now = plan.readings[id];
  const value = now?.repeats[0]?.value ?? q.fallback?.value ?? (q.min + q.max) / 2;
  const step = q.whole ? 1 : 0.013 * (q.max - q.min);
  const next = to ?? (value + step > q.max ? value - step : value + step);
  return everything({
    ...plan,
    readings: { ...plan.readings, [id]: reading(now?.instrument ?? q.instrument, next) },
  });
}

describe('every quantity, shaken in a plan where it matters', () => {
  it('is in the table, or is kept for what comes later and says so', () => {
    const rows = new Set(ROWS.map(([id]) => id));
    const asked = QUANTITIES.filter((q) => !q.later).map((q) => q.id);
    expect(asked.filter((id) => !rows.has(id))).toEqual([]);
    expect([...rows].filter((id) => !findQuantity(id))).toEqual([]);
    expect(QUANTITIES.filter((q) => q.later).map((q) => q.id)).toEqual(['car.cableReach']);
  });

  it.each(ROWS.map((row) => ({ row, id: row[0], plan: row[1], moves: row[2] })))(
    '$id in the plan “$plan” moves $moves',
    ({ row, id, plan, moves }) => {
      const [was, now] = [before(plan), shaken(row)];
      const still = moves.split(' ').filter((name) => was.get(name) === now.get(name));
      expect(still, `${id} does not move`).toEqual([]);
    },
  );
});
