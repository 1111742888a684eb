import { judgeClosure, type Check, type LimitsOf } from '../../stage';
import type { brief } from './words';
import { derive, given, type Figure, type Maybe } from '../../measure';
import type { Differential, Launch, Reaction, TorquePoint } from './choices';

/** Share of both shafts' torque that one may have to carry. */
export const SHARES: Readonly<Record<Differential, number>> = { open: 0.5, limitedSlip: 0.75, locked: 1 };
/** How much harder a launch hits than a steady pull. */
export const SHOCKS: Readonly<Record<Launch, number>> = { rolling: 1, normal: 1.3, hard: 1.8 };

export interface BriefInput {
  readonly launch: Launch;
  readonly differential: Differential;
  readonly reaction: Reaction;
  readonly gears: readonly number[];
  readonly torqueCurve: readonly TorquePoint[];
  readonly mass: Maybe;
  readonly front: Maybe;
  readonly rear: Maybe;
  readonly wheelbase: Maybe;
  readonly cgHeight: Maybe;
  readonly tyreDiameter: Maybe;
  readonly torque: Maybe;
  readonly stall: Maybe;
  readonly axleRatio: Maybe;
  readonly efficiency: Maybe;
  readonly friction: Maybe;
  readonly hop: Maybe;
  /** Tyre middle to tyre middle, mm: the arm on which the driveshaft’s torque loads one tyre. */
  readonly track: Maybe;
}

export interface BriefResult {
  /** Front plus rear axle load less the mass, kg. */
  readonly weights?: Figure;
  /** Load on the rear axle while the tyres push as hard as they can, N. */
  readonly rearLoad?: Figure;
  /** What the driveshaft’s torque loads one tyre with and takes from the other, N. */
  readonly reaction?: Figure;
  /** Torque in one shaft that the engine can give, and that the tyre can hold, N·m. */
  readonly engineSide?: Figure;
  readonly tractionSide?: Figure;
  /** The lesser of both: what each shaft must carry, N·m. */
  readonly demand?: Figure;
  readonly governs?: 'engine' | 'tyre';
}

/** What each shaft must carry. */
export function briefStage(input: BriefInput): BriefResult {
  const weights = weightsOf(input);
  const load = loadOf(input);
  const pull = pullOf(input);
  const engineSide = pull && engineOf(input, pull);
  const reaction = reactionOf(input, load, pull);
  const tractionSide = tractionOf(input, load, reaction);
  const found = {
    ...(weights ? { weights } : {}),
    ...(load ? { rearLoad: load } : {}),
    ...(reaction ? { reaction } : {}),
    ...(engineSide ? { engineSide } : {}),
    ...(tractionSide ? { tractionSide } : {}),
  };
  if (!engineSide || !tractionSide) return found;
  const demand = derive({
    id: 'brief.demand',
    label: 'Torque each shaft must carry',
    unit: 'Nm',
    formula: 'min({T_engine}, {T_tyre})',
    source: 'Neither more than the engine gives nor more than the tyre holds',
    inputs: { T_engine: engineSide, T_tyre: tractionSide },
  });
  return { demand, governs: engineSide.value <= tractionSide.value ? 'engine' : 'tyre', ...found };
}

function weightsOf({ mass, front, rear }: BriefInput): Maybe {
  if (!mass || !front || !rear) return undefined;
  return derive({
    id: 'brief.weights',
    label: 'Axle loads against the mass',
    unit: 'kg',
    formula: '{F} + {R} − {m}',
    source: 'Both axle loads must make up the mass',
    inputs: { F: front, R: rear, m: mass },
  });
}

/** All of the weight at most, when the front wheels lift: the moment balance has no other answer then. */
function loadOf({ front, rear, wheelbase, cgHeight, friction }: BriefInput): Maybe {
  if (!front || !rear || !wheelbase || !cgHeight || !friction) return undefined;
  return derive({
    id: 'brief.rearLoad',
    label: 'Rear axle load at launch',
    unit: 'N',
    formula: '({F} + {R})·9.80665/max(1, ({L} − {μ}·{h})·({F} + {R})/({R}·{L}))',
    source: 'Moment balance about the front wheels, rear tyres at the limit: W·a_f/(L − μ·h), at most W',
    inputs: { F: front, R: rear, L: wheelbase, μ: friction, h: cgHeight },
  });
}

/** The peak of the curve where there is one, else what was read. */
function peakOf({ torqueCurve, torque }: BriefInput): Maybe {
  if (torqueCurve.length === 0) return torque;
  const peak = torqueCurve.reduce((a, b) => (b.torque > a.torque ? b : a));
  return given('brief.peak', 'Peak of the torque curve', peak.torque, 0, 'Nm', `Curve, at ${peak.rpm} rpm`);
}

const chosen = (id: string, label: string, value: number, source: string): Figure =>
  given(id, label, value, 0, 'count', source);

/** What the engine turns the driveshaft with, N·m. */
function pullOf(input: BriefInput): Maybe {
  const T = peakOf(input);
  const { stall, efficiency, gears, launch } = input;
  const [first] = gears;
  if (!T || !stall || !efficiency || first === undefined) return undefined;
  return derive({
    id: 'brief.pull',
    label: 'Driveshaft’s torque from the engine',
    unit: 'Nm',
    formula: '{T}·{s}·{i_1}·{η}·{c}',
    source: 'Peak torque through converter and gear, with the launch’s shock',
    inputs: {
      T,
      s: stall,
      i_1: chosen('brief.firstGear', 'First gear', first, 'Gearbox ratios'),
      η: efficiency,
      c: chosen('brief.shock', 'Shock of the launch', SHOCKS[launch], 'Rolling 1, normal 1.3, hard 1.8'),
    },
  });
}

function engineOf({ axleRatio, differential }: BriefInput, pull: Figure): Maybe {
  if (!axleRatio) return undefined;
  const share = SHARES[differential];
  return derive({
    id: 'brief.engineSide',
    label: 'From the engine, one shaft',
    unit: 'Nm',
    formula: '{T_d}·{i_axle}·{k}',
    source: 'Driveshaft’s torque through the axle, with one shaft’s share',
    inputs: {
      T_d: pull,
      i_axle: axleRatio,
      k: chosen('brief.share', 'Share of one shaft', share, 'Open 0.5, limited-slip 0.75, locked 1'),
    },
  });
}

/**
 * The driveshaft’s torque turns the axle about the car’s length: one tyre is loaded by T/track, the other relieved.
 * It can be no more than the engine gives nor than both tyres hold.
 */
function reactionOf(input: BriefInput, load: Maybe, pull: Maybe): Maybe {
  const { axleRatio, tyreDiameter, friction, hop, track, reaction } = input;
  if (reaction === 'springs')
    return given('brief.reaction', 'Driveshaft’s torque on one tyre', 0, 0, 'N', 'Springs and preload take it');
  if (!load || !axleRatio || !tyreDiameter || !friction || !hop || !track) return undefined;
  const tyres = derive({
    id: 'brief.pullHeld',
    label: 'Driveshaft’s torque that both tyres hold',
    unit: 'Nm',
    formula: '{μ}·{N}·0.97·{D}/2/1000·{hop}/{i_axle}',
    source: 'Both rear tyres at their limit, through the axle',
    inputs: { μ: friction, N: load, D: tyreDiameter, hop, i_axle: axleRatio },
  });
  const least = pull ? 'min({T_d}, {T_held})' : '{T_held}';
  return derive({
    id: 'brief.reaction',
    label: 'Driveshaft’s torque on one tyre',
    unit: 'N',
    formula: `${least}·1000/{t}`,
    source: 'It turns the axle about the car’s length, on the arm from wheel to wheel: T/track',
    inputs: { T_held: tyres, t: track, ...(pull ? { T_d: pull } : {}) },
  });
}

function tractionOf({ tyreDiameter, friction, hop }: BriefInput, load: Maybe, reaction: Maybe): Maybe {
  if (!tyreDiameter || !friction || !hop || !load || !reaction) return undefined;
  return derive({
    id: 'brief.tractionSide',
    label: 'What the loaded tyre holds',
    unit: 'Nm',
    formula: '{μ}·({N}/2 + {ΔN})·0.97·{D}/2/1000·{hop}',
    source:
      'Friction times the loaded wheel’s load times the rolling radius, 0.97 of the free one, with the tyre’s hop',
    inputs: { μ: friction, N: load, ΔN: reaction, D: tyreDiameter, hop },
  });
}

/** Do the axle loads make up the mass? */
export function briefChecks({ weights }: BriefResult, limits: LimitsOf<typeof brief>): Check[] {
  if (!weights) return [];
  return [
    judgeClosure(
      {
        id: 'brief.weights',
        stage: 'brief',
        figure: weights,
        limit: limits('brief.weights'),
        holds: 'Axle loads make up the mass',
        fails: 'Axle loads do not make up the mass',
        unknown: 'Axle loads against the mass: not known',
        reason: 'Torque demand and every later load rest on these three numbers.',
        todo: 'Weigh again with driver and fuel in, on level scales.',
        at: 'brief.mass',
      },
      ['brief.front', 'brief.rear', 'brief.mass'],
    ),
  ];
}
