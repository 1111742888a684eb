import { derive, type Figure } from '../measure';
import type { Spacer } from '../plan';
import { MM_PER_INCH } from '../units';
import { clampForce, engagementOf, frictionTorque, NUT_FACTOR_DRY, stressArea } from './thread';

type Maybe = Figure | undefined;

/** A thread by its size. */
export interface Thread {
  readonly diameter: number;
  readonly pitch: number;
}

const METRIC = /^M(\d+(?:\.\d+)?)x(\d+(?:\.\d+)?)$/;
const UNIFIED = /^(\d+)\/(\d+)-(\d+)$/;

/**
 * Size of a thread from its name; undefined where it is none.
 *
 * @example threadOf('M12x1.5') // 12, 1.5
 * @example threadOf('1/2-20') // 12.7, 1.27
 */
export function threadOf(name: string): Thread | undefined {
  const metric = METRIC.exec(name);
  if (metric) return { diameter: Number(metric[1]), pitch: Number(metric[2]) };
  const unified = UNIFIED.exec(name);
  if (!unified) return undefined;
  return {
    diameter: (Number(unified[1]) / Number(unified[2])) * MM_PER_INCH,
    pitch: MM_PER_INCH / Number(unified[3]),
  };
}

export interface StudInput {
  /** Thread of the studs that will be used; empty while not known. */
  readonly thread: string;
  readonly frontThread: string;
  readonly seat: string;
  readonly wheelSeat: string;
  readonly spacer: Spacer;
  readonly length: Maybe;
  readonly hat: Maybe;
  readonly pad: Maybe;
  readonly nut: Maybe;
  readonly knurl: Maybe;
  readonly hole: Maybe;
  readonly torque: Maybe;
  readonly spacerThick: Maybe;
  readonly studs: Maybe;
  readonly pcd: Maybe;
  /** Torque at the wheel, N·m. */
  readonly demand: Maybe;
}

export interface StudResult {
  readonly thread: Thread | undefined;
  /** Thread in the nut, mm and over the diameter. */
  readonly engaged: Maybe;
  readonly share: Maybe;
  /** What a nut’s torque clamps with, N, and the stress that is in the stud, MPa. */
  readonly clamp: Maybe;
  readonly stress: Maybe;
  /** What the clamped face carries by friction over what the wheel asks. */
  readonly reserve: Maybe;
  /** Knurl less the hole it is pressed into, mm. */
  readonly pressed: Maybe;
  /** Front and rear studs differ: two sizes of nut. */
  readonly mixed: boolean;
  /** Nut and wheel seat on unlike faces. */
  readonly seatsDiffer: boolean;
}

/** Studs and nuts: thread engaged, clamp, and whether friction carries the wheel. */
export function studStage(input: StudInput): StudResult {
  const thread = threadOf(input.thread);
  const engaged = engagedOf(input);
  const clamp = thread && input.torque ? clampOf(input.torque, thread) : undefined;
  return {
    thread,
    engaged,
    share: thread && engaged ? shareOf(engaged, thread) : undefined,
    clamp,
    stress: thread && clamp ? stressOf(clamp, thread) : undefined,
    reserve: clamp ? reserveOf(input, clamp) : undefined,
    pressed: pressedOf(input),
    mixed: input.thread !== '' && input.frontThread !== '' && input.thread !== input.frontThread,
    seatsDiffer: input.seat !== '' && input.wheelSeat !== '' && input.seat !== input.wheelSeat,
  };
}

function engagedOf({ length, hat, pad, nut, spacer, spacerThick }: StudInput): Maybe {
  if (!length || !hat || !pad || !nut) return undefined;
  const base = { id: 'stud.engaged', label: 'Thread in the nut', unit: 'mm' as const };
  const source = 'What of the stud stands beyond hat, spacer and wheel, at most the thread in the nut';
  const inputs = { l: length, h: hat, p: pad, n: nut };
  if (spacer === 'plain' && spacerThick)
    return derive(
      { ...base, source, formula: 'min({n}, {l} − {h} − {t} − {p})', inputs: { ...inputs, t: spacerThick } },
      (v) => Math.max(0, Math.min(v.n, v.l - v.h - v.t - v.p)),
    );
  return derive({ ...base, source, formula: 'min({n}, {l} − {h} − {p})', inputs }, (v) =>
    Math.max(0, Math.min(v.n, v.l - v.h - v.p)),
  );
}

const shareOf = (engaged: Figure, { diameter }: Thread): Figure =>
  derive(
    {
      id: 'stud.share',
      label: 'Thread engaged over its diameter',
      unit: 'count',
      formula: `{l}/${diameter.toFixed(2)}`,
      source: 'At least one diameter in steel',
      inputs: { l: engaged },
    },
    (v) => engagementOf(v.l, diameter),
  );

const clampOf = (torque: Figure, { diameter }: Thread): Figure =>
  derive(
    {
      id: 'stud.clamp',
      label: 'Clamp of one nut',
      unit: 'N',
      formula: `{T}·1000/(${NUT_FACTOR_DRY}·${diameter.toFixed(2)})`,
      source: 'Dry thread and seat, nut factor 0.20; oil raises the clamp and can stretch the stud',
      inputs: { T: torque },
    },
    (v) => clampForce(v.T, diameter),
  );

const stressOf = (clamp: Figure, { diameter, pitch }: Thread): Figure =>
  derive(
    {
      id: 'stud.stress',
      label: 'Stress in the stud',
      unit: 'MPa',
      formula: `{F}/${stressArea(diameter, pitch).toFixed(1)}`,
      source: 'Clamp over the thread’s stress area; class 8.8 is proof to 600 MPa, 10.9 to 830',
      inputs: { F: clamp },
    },
    (v) => v.F / stressArea(diameter, pitch),
  );

function reserveOf({ studs: n, pcd, demand: T }: StudInput, clamp: Figure): Maybe {
  if (!n || !pcd || !T) return undefined;
  return derive(
    {
      id: 'stud.reserve',
      label: 'Friction of the face over the wheel’s torque',
      unit: 'count',
      formula: '{n}·{F}·0.15·{PCD}/2000/{T}',
      source: 'The clamped face carries the wheel; studs that bear on their holes shear',
      inputs: { n, F: clamp, PCD: pcd, T },
    },
    (v) => frictionTorque(v.n, v.F, v.PCD) / v.T,
  );
}

function pressedOf({ knurl, hole }: StudInput): Maybe {
  if (!knurl || !hole) return undefined;
  return derive(
    {
      id: 'stud.pressed',
      label: 'Knurl over its hole',
      unit: 'mm',
      formula: '{k} − {d}',
      source: 'Over the ridges, less the hole',
      inputs: { k: knurl, d: hole },
    },
    (v) => v.k - v.d,
  );
}
