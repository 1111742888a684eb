import { derive, given, type Figure, type Maybe } from '../../measure';
import { MM_PER_INCH } from '../../units';
import type { Spacer } from '../stance/choices';

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

/** Proof stress by class or grade, MPa; class 8.8 bears a little more above 16 mm. */
const PROOF_MPA: Readonly<Record<string, (diameter: number) => number>> = {
  '8.8': (d) => (d > 16 ? 600 : 580),
  '10.9': () => 830,
  '12.9': () => 970,
  grade5: () => 586,
  grade8: () => 827,
};

export interface StudInput {
  /** Thread of the studs that will be used; empty while not known. */
  readonly thread: string;
  readonly frontThread: string;
  /** Class or grade as marked; empty while not known. */
  readonly studClass: string;
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
  /** A bolted adapter: its flange under its own nuts, the thread in those, and the studs it carries the wheel with. */
  readonly adapterFloor: Maybe;
  readonly adapterNut: Maybe;
  readonly adapterStud: Maybe;
  readonly studs: Maybe;
  readonly pcd: Maybe;
  readonly flangeStuds: Maybe;
  readonly flangePcd: Maybe;
  /** Torque at the wheel, N·m. */
  readonly demand: Maybe;
}

/** What holds a face by its nuts. */
export interface StudJoint {
  /** Thread in the nut, mm and over the diameter. */
  readonly engaged: Maybe;
  readonly share: Maybe;
  /** What the clamped face carries by friction over what the wheel asks. */
  readonly reserve: Maybe;
}

export interface StudResult extends StudJoint {
  readonly thread: Thread | undefined;
  /** What a nut’s torque clamps with, N, the stress that is in the stud, MPa, and that over its proof. */
  readonly clamp: Maybe;
  readonly stress: Maybe;
  readonly proof: Maybe;
  /** Where an adapter is bolted to the flange: the flange’s own studs. The wheel then hangs on the adapter’s. */
  readonly flange: StudJoint | undefined;
  /** Knurl less the hole it is pressed into, mm. */
  readonly pressed: Maybe;
  /** Front and rear studs differ: two sizes of nut. Undefined while one of them is not known. */
  readonly mixed: boolean | undefined;
  /** Nut and wheel seat on unlike faces. Undefined while one of them is not known. */
  readonly seatsDiffer: boolean | undefined;
  /** What was said of threads and seats; empty where nothing was. */
  readonly said: Pick<StudInput, 'thread' | 'frontThread' | 'seat' | 'wheelSeat'>;
}

/** Studs and nuts: thread engaged, clamp, stress, and whether friction carries the wheel. */
export function studStage(input: StudInput): StudResult {
  const thread = threadOf(input.thread);
  const d = thread && size('diameter', 'Thread’s diameter', thread.diameter, input.thread);
  const clamp = d && input.torque ? clampOf(input.torque, d) : undefined;
  const stress = thread && d && clamp ? stressOf(clamp, d, thread, input.thread) : undefined;
  const adapter = input.spacer === 'adapter';
  const joint = (id: string, engaged: Maybe, studs: Maybe, pcd: Maybe): StudJoint => ({
    engaged,
    share: d && engaged ? shareFigure(id, engaged, d) : undefined,
    reserve: clamp ? reserveOf(id, { studs, pcd, demand: input.demand }, clamp) : undefined,
  });
  return {
    flange: adapter ? joint('stud.flange', underAdapter(input), input.flangeStuds, input.flangePcd) : undefined,
    thread,
    clamp,
    stress,
    proof: thread && stress ? proofOf(stress, thread, input.studClass) : undefined,
    pressed: pressedOf(input),
    mixed: unlike(input.thread, input.frontThread),
    seatsDiffer: unlike(input.seat, input.wheelSeat),
    said: {
      thread: input.thread,
      frontThread: input.frontThread,
      seat: input.seat,
      wheelSeat: input.wheelSeat,
    },
    ...joint('stud', adapter ? onAdapter(input) : engagedOf(input), input.studs, input.pcd),
  };
}

/** Whether two are not the same; undefined while one is not known. */
const unlike = (a: string, b: string): boolean | undefined => (a === '' || b === '' ? undefined : a !== b);

const size = (id: string, label: string, value: number, thread: string): Figure =>
  given(`stud.${id}`, label, value, 0, 'mm', `Thread ${thread}`);

const ENGAGED = { id: 'stud.engaged', label: 'Thread in the nut', unit: 'mm' as const };

/** Through hat, spacer and wheel. A plain spacer of unknown thickness leaves it unknown. */
function engagedOf({ length: l, hat: h, pad: p, nut: n, spacer, spacerThick: t }: StudInput): Maybe {
  if (!l || !h || !p || !n || (spacer === 'plain' && !t)) return undefined;
  const source = 'What of the stud stands beyond hat, spacer and wheel, at most the thread in the nut';
  if (spacer === 'plain' && t)
    return derive({
      source,
      formula: 'max(0, min({n}, {l} − {h} − {t} − {p}))',
      inputs: { l, h, t, p, n },
      ...ENGAGED,
    });
  return derive({ source, formula: 'max(0, min({n}, {l} − {h} − {p}))', inputs: { l, h, p, n }, ...ENGAGED });
}

/** The wheel hangs on the adapter’s own studs. */
function onAdapter({ adapterStud: l, pad: p, nut: n }: StudInput): Maybe {
  if (!l || !p || !n) return undefined;
  return derive({
    ...ENGAGED,
    label: 'Thread in the wheel’s nut, on the adapter',
    source: 'What of the adapter’s stud stands beyond the wheel, at most the thread in the nut',
    formula: 'max(0, min({n}, {l} − {p}))',
    inputs: { l, p, n },
  });
}

/** The flange’s studs hold only the adapter, under nuts of its own. */
function underAdapter({ length: l, hat: h, adapterFloor: f, adapterNut: n }: StudInput): Maybe {
  if (!l || !h || !f || !n) return undefined;
  return derive({
    id: 'stud.flange.engaged',
    label: 'Thread in the adapter’s nut',
    unit: 'mm',
    source: 'What of the flange’s stud stands beyond hat and adapter, at most the thread in its nut',
    formula: 'max(0, min({n}, {l} − {h} − {f}))',
    inputs: { l, h, f, n },
  });
}

const shareFigure = (id: string, l: Figure, d: Figure): Figure =>
  derive({
    id: `${id}.share`,
    label: 'Thread engaged over its diameter',
    unit: 'count',
    formula: '{l}/{d}',
    source: 'At least one diameter in steel',
    inputs: { l, d },
  });

const clampOf = (T: Figure, d: Figure): Figure =>
  derive({
    id: 'stud.clamp',
    label: 'Clamp of one nut',
    unit: 'N',
    formula: '1000·{T}/(0.2·{d})',
    source: 'Dry thread and seat, nut factor 0.20; oil raises the clamp and can stretch the stud',
    inputs: { T, d },
  });

const stressOf = (F: Figure, d: Figure, { pitch }: Thread, name: string): Figure =>
  derive({
    id: 'stud.stress',
    label: 'Stress in the stud',
    unit: 'MPa',
    formula: '{F}/(π/4·({d} − 0.9382·{P})²)',
    source: 'Clamp over the thread’s stress area, ISO 898-1',
    inputs: { F, d, P: size('pitch', 'Thread’s pitch', pitch, name) },
  });

/** What no class is known of cannot be called strong enough. */
function proofOf(σ: Figure, { diameter }: Thread, studClass: string): Maybe {
  const proof = PROOF_MPA[studClass]?.(diameter);
  if (proof === undefined) return undefined;
  const source = 'Proof stress of its class or grade, ISO 898-1 and SAE J429';
  return derive({
    id: 'stud.proof',
    label: 'Stud’s stress over its proof',
    unit: 'ratio',
    formula: '{σ}/{σ_p}',
    source: 'What tightening leaves in the stud over what it bears without staying longer',
    inputs: { σ, σ_p: given('stud.proofStress', `Proof stress, ${studClass}`, proof, 0, 'MPa', source) },
  });
}

interface Carrying {
  readonly studs: Maybe;
  readonly pcd: Maybe;
  readonly demand: Maybe;
}

function reserveOf(id: string, { studs: n, pcd: PCD, demand: T }: Carrying, F: Figure): Maybe {
  if (!n || !PCD || !T) return undefined;
  return derive({
    id: `${id}.reserve`,
    label: 'Friction of the face over the wheel’s torque',
    unit: 'count',
    formula: '{n}·{F}·0.15·{PCD}/2000/{T}',
    source: 'The clamped face carries the wheel; studs that bear on their holes shear',
    inputs: { n, F, PCD, T },
  });
}

function pressedOf({ knurl: k, hole: d }: StudInput): Maybe {
  if (!k || !d) return undefined;
  return derive({
    id: 'stud.pressed',
    label: 'Knurl over its hole',
    unit: 'mm',
    formula: '{k} − {d}',
    source: 'Over the ridges, less the hole',
    inputs: { k, d },
  });
}
