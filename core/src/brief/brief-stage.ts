import { limitOf, type Check, type LimitChange, type LimitId } from '../checks';
import { derive, given, type Figure } from '../measure';
import type { Differential, Launch, TorquePoint } from '../plan';
import { engineSideTorque } from './axle-torque';
import { rearLoad, tractionTorque } from './rear-load';

type Maybe = Figure | undefined;

/** Share of both shafts' torque that one may have to carry. */
export const SHARES: Readonly<Record<Differential, number>> = { open: 0.5, limitedSlip: 0.75, locked: 1 };
/** How much harder a launch hits than a steady pull. */
export const SHOCKS: Readonly<Record<Launch, number>> = { rolling: 1, normal: 1.3, hard: 1.8 };
/** A loaded tyre rolls on less than half its free diameter. */
const ROLLING = 0.97;

export interface BriefInput {
  readonly launch: Launch;
  readonly differential: Differential;
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
}

export interface BriefResult {
  /** Front plus rear axle load less the mass, kg. */
  readonly weights?: Figure;
  /** Load on the rear axle while the tyres push as hard as they can, N. */
  readonly rearLoad?: Figure;
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
  const engineSide = engineOf(input);
  const tractionSide = tractionOf(input, load);
  const found = {
    ...(weights ? { weights } : {}),
    ...(load ? { rearLoad: load } : {}),
    ...(engineSide ? { engineSide } : {}),
    ...(tractionSide ? { tractionSide } : {}),
  };
  if (!engineSide || !tractionSide) return found;
  const demand = derive(
    {
      id: 'brief.demand',
      label: 'Torque each shaft must carry',
      unit: 'Nm',
      formula: 'min({T_engine}, {T_tyre})',
      source: 'Neither more than the engine gives nor more than the tyre holds',
      inputs: { T_engine: engineSide, T_tyre: tractionSide },
    },
    (v) => Math.min(v.T_engine, v.T_tyre),
  );
  return { ...found, demand, governs: engineSide.value <= tractionSide.value ? 'engine' : 'tyre' };
}

function weightsOf({ mass, front, rear }: BriefInput): Maybe {
  if (!mass || !front || !rear) return undefined;
  return derive(
    {
      id: 'brief.weights',
      label: 'Axle loads against the mass',
      unit: 'kg',
      formula: '{F} + {R} − {m}',
      source: 'Both axle loads must make up the mass',
      inputs: { F: front, R: rear, m: mass },
    },
    (v) => v.F + v.R - v.m,
  );
}

function loadOf({ front, rear, wheelbase, cgHeight, friction }: BriefInput): Maybe {
  if (!front || !rear || !wheelbase || !cgHeight || !friction) return undefined;
  return derive(
    {
      id: 'brief.rearLoad',
      label: 'Rear axle load at launch',
      unit: 'N',
      formula: 'min(1, ({R}/({F} + {R})·{L})/({L} − {μ}·{h}))·({F} + {R})·9.80665',
      source: 'Moment balance about the front wheels, rear tyres at the limit',
      inputs: { F: front, R: rear, L: wheelbase, μ: friction, h: cgHeight },
    },
    (v) =>
      rearLoad({
        mass: v.F + v.R,
        frontToCg: (v.R / (v.F + v.R)) * v.L,
        wheelbase: v.L,
        cgHeight: v.h,
        friction: v.μ,
      }),
  );
}

/** The peak of the curve where there is one, else what was read. */
function peakOf({ torqueCurve, torque }: BriefInput): Maybe {
  if (torqueCurve.length === 0) return torque;
  const peak = torqueCurve.reduce((a, b) => (b.torque > a.torque ? b : a));
  return given('brief.peak', 'Peak of the torque curve', peak.torque, 0, 'Nm', `Curve, at ${peak.rpm} rpm`);
}

function engineOf(input: BriefInput): Maybe {
  const T = peakOf(input);
  const { stall, axleRatio, efficiency, gears, differential, launch } = input;
  const [first] = gears;
  if (!T || !stall || !axleRatio || !efficiency || first === undefined) return undefined;
  const chosen = (id: string, label: string, value: number, source: string) =>
    given(id, label, value, 0, 'count', source);
  return derive(
    {
      id: 'brief.engineSide',
      label: 'From the engine, one shaft',
      unit: 'Nm',
      formula: '{T}·{s}·{i_1}·{i_axle}·{η}·{k}·{c}',
      source: 'Peak torque through converter, gear and axle, with one shaft’s share and the launch’s shock',
      inputs: {
        T,
        s: stall,
        i_1: chosen('brief.firstGear', 'First gear', first, 'Gearbox ratios'),
        i_axle: axleRatio,
        η: efficiency,
        k: chosen(
          'brief.share',
          'Share of one shaft',
          SHARES[differential],
          'Open 0.5, limited-slip 0.75, locked 1',
        ),
        c: chosen('brief.shock', 'Shock of the launch', SHOCKS[launch], 'Rolling 1, normal 1.3, hard 1.8'),
      },
    },
    (v) =>
      engineSideTorque({
        torque: v.T,
        stall: v.s,
        gear: v.i_1,
        axle: v.i_axle,
        efficiency: v.η,
        share: v.k,
        shock: v.c,
      }),
  );
}

function tractionOf({ tyreDiameter, friction }: BriefInput, load: Maybe): Maybe {
  if (!tyreDiameter || !friction || !load) return undefined;
  return derive(
    {
      id: 'brief.tractionSide',
      label: 'What one tyre holds',
      unit: 'Nm',
      formula: `{μ}·{N}/2·${ROLLING}·{D}/2/1000`,
      source: 'Friction times half the rear load times the rolling radius, 0.97 of the free one',
      inputs: { μ: friction, N: load, D: tyreDiameter },
    },
    (v) => tractionTorque(v.N / 2, (ROLLING * v.D) / 2, v.μ),
  );
}

/** Do the axle loads make up the mass? */
export function briefChecks(
  { weights }: BriefResult,
  limits: Readonly<Partial<Record<LimitId, LimitChange>>>,
): Check[] {
  if (!weights) return [];
  const limit = limitOf(limits, 'brief.weights');
  const over = Math.abs(weights.value) > limit.value;
  return [
    {
      id: 'brief.weights',
      stage: 'brief',
      level: over ? 'caution' : 'ok',
      title: over ? 'Axle loads do not make up the mass' : 'Axle loads make up the mass',
      figure: { value: weights.value, unit: 'kg', figureId: weights.id },
      limit,
      reason: 'Torque demand and every later load rest on these three numbers.',
      todo: over ? 'Weigh again with driver and fuel in, on level scales.' : '',
      at: 'brief.mass',
    },
  ];
}
