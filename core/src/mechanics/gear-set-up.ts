import { shimPack, shimPacks, ShimDeals, TOTAL_KEPT, type ShimPack } from './shim-kit';

/** Where the contact lies on a flank: along it toe + to heel −, across it root + to face −; each −1 to +1. */
export interface Contact {
  readonly along: number;
  readonly across: number;
}

/** Shims of a gear set, mm, each pack as a whole. */
export interface SetShims {
  /** Behind the pinion’s head. */
  readonly pinionShim: number;
  /** Beside the carrier: on the ring gear’s side, and on the other. */
  readonly ringSide: number;
  readonly otherSide: number;
}

/** Shims there are, mm: those that fit behind the pinion’s head, and those that fit beside the carrier. */
export interface ShimKit {
  readonly pinion: readonly number[];
  readonly carrier: readonly number[];
}
const NO_KIT: ShimKit = { pinion: [], carrier: [] };

/** One trial of a gear set. Shims and backlash in mm. */
export interface Trial extends SetShims {
  /** At four teeth or more, round the ring. */
  readonly backlash: readonly number[];
  readonly drive: Contact;
  readonly coast: Contact;
}

/** What a good set-up keeps, mm; contacts in shares of half the flank. */
export interface SetUpWindow {
  readonly backlash: readonly [least: number, most: number];
  /** Most difference between teeth. */
  readonly range: number;
  readonly across: number;
  readonly along: number;
}
export const USUAL_WINDOW: SetUpWindow = { backlash: [0.15, 0.25], range: 0.08, across: 0.25, along: 0.45 };

/** What a trial says by itself. */
export interface TrialReading {
  readonly mean: number;
  readonly range: number;
  /** Every window kept. */
  readonly good: boolean;
  /** What is not in order, in words; empty where all is. */
  readonly faults: readonly string[];
}

/** What to try next. */
export interface Advice {
  /** What to put in, mm: as the kit makes it, or as it is in where nothing nearer can be had. */
  readonly pinionShim: number;
  readonly ringSide: number;
  readonly otherSide: number;
  /** What would be right by all that the trials told, mm. */
  readonly wanted: SetShims;
  /** Pinion toward the ring, and ring toward the pinion, mm: as far as what is put in moves them. */
  readonly pinionMove: number;
  readonly carrierMove: number;
  /** Shims of the kit that make what changes, and what they miss of what would be right, mm. */
  readonly packs: Readonly<Partial<Record<keyof SetShims, ShimPack>>>;
  /** Both sides of the carrier together less what they are now, mm: its bearings’ preload goes with it. */
  readonly totalOff: number;
  /** The pinion’s bearing has to be pressed off and on again. */
  readonly pressing: boolean;
  /** Nothing that can be put in comes nearer: the set stays as it is. Why, and the shims that would be wanted beside the kit’s. */
  readonly stuck?: Stuck;
  /** Backlash that the carrier’s move takes away, over the move; learned from the trials. */
  readonly gain: number;
  /** Pinion’s move for a third of the face, mm; learned from the trials. */
  readonly thirdOfFace: number;
}

/** Why nothing better can be put in. */
export interface Stuck {
  /** The kit has no shims for it; or no shim mends what is wrong. */
  readonly why: 'kit' | 'notShims';
  /** One shim more of each that would make what is wanted, mm. */
  readonly buy: Readonly<Partial<Record<keyof SetShims, number>>>;
}

/**
 * What moves what before any trial has told, and how far it may be from that: least squares with these as a first
 * guess. Backlash falls by `carrier` of what the carrier moves toward the pinion and by `pinion` of the pinion’s shim;
 * contact moves to the root by `across` for a mm of pinion shim, and by `crossed` for a mm of less backlash.
 */
const GUESS = {
  carrier: { mean: 0.75, off: 0.12 },
  pinion: { mean: 0.35, off: 0.2 },
  across: { mean: 2 / 3 / 0.05, off: 4 },
  crossed: { mean: 2, off: 2 },
} as const;
/** What a reading may be off by: backlash in mm, a contact in shares. */
const BACKLASH_OFF = 0.012;
const CONTACT_OFF = 0.12;
/** Share of half the flank beyond which a contact runs off it. */
const RUNS_OFF = 0.92;
/** What drive and coast lean to toe and heel, over what they move across, where the pinion’s depth moves them. */
const LEAN = 0.3;
/** Moves smaller than this are none: no kit makes them. */
const LEAST_MOVE = 0.012;

/**
 * Backlash and contact of a trial against their windows.
 *
 * @example readTrial({ …, backlash: [0.31, 0.33, 0.3, 0.32] }).faults // backlash 0.315 mm, 0.15 to 0.25 wanted
 */
export function readTrial({ backlash, drive, coast }: Trial, window: SetUpWindow = USUAL_WINDOW): TrialReading {
  const mean = backlash.reduce((a, b) => a + b, 0) / backlash.length;
  const range = Math.max(...backlash) - Math.min(...backlash);
  const [least, most] = window.backlash;
  const across = (drive.across + coast.across) / 2;
  const along = Math.max(Math.abs(drive.along), Math.abs(coast.along));
  const faults = [
    ...(mean < least ? ['too little backlash'] : mean > most ? ['too much backlash'] : []),
    ...(range > window.range ? ['backlash differs too much from tooth to tooth'] : []),
    ...(across > window.across
      ? ['contact too near the root']
      : across < -window.across
        ? ['contact too near the face']
        : []),
    ...(along > window.along ? ['contact too far to toe or heel'] : []),
  ];
  return { mean, range, good: faults.length === 0, faults };
}

/**
 * What to try next: the pinion shim that brings the contact to the middle of the flank, and the carrier’s place that
 * gives the middle of the backlash’s window with it. The sum of the carrier’s shims stays, and with it the preload.
 * How much moves what is learned from all trials so far. Of what the kit can make, what comes nearest to the middle of the
 * windows is taken that was not tried before; the bearing is pressed only where that helps; where nothing helps it says so.
 *
 * @param trials at least one, in order
 * @param kit shims there are, each used once; of a kind that it has none of, any thickness can be had
 * @throws RangeError without a trial
 * @source Least squares with a first guess (ridge): backlash and contact as linear in the shims
 */
export function adviseNext(
  trials: readonly Trial[],
  window: SetUpWindow = USUAL_WINDOW,
  kit: ShimKit = NO_KIT,
): Advice {
  const last = trials.at(-1);
  if (!last) throw new RangeError('There is no trial to go on from.');
  const seen = trials.map((trial) => ({ trial, ...readTrial(trial, window) }));
  // Backlash is told from the last trial on, so that its level needs no guess.
  const [, fallen, byPinion] = fitted(
    seen.map(({ trial, mean }) => ({
      row: [1, -(trial.ringSide - last.ringSide), -(trial.pinionShim - last.pinionShim)],
      is: mean,
    })),
    [FREE, GUESS.carrier, GUESS.pinion],
    BACKLASH_OFF,
  ) as [number, number, number];
  const [level, lift, crossed] = fitted(
    seen.map(({ trial, mean }) => ({
      row: [1, trial.pinionShim - last.pinionShim, middle(window) - mean],
      ...acrossOf(trial),
    })),
    [FREE, GUESS.across, GUESS.crossed],
    CONTACT_OFF,
  ) as [number, number, number];
  const model: Model = {
    last,
    mean: (seen.at(-1) as { readonly mean: number }).mean,
    fallen,
    byPinion,
    level,
    lift,
    crossed,
    window,
  };
  // With the backlash right, the contact lies at `level` with the pinion where it is.
  const move = -level / lift;
  const pinion = Math.max(0, last.pinionShim + (Math.abs(move) < LEAST_MOVE ? 0 : move));
  const wanted = { pinionShim: pinion, ...carrierFor(model, pinion) };
  const ways = waysOf(model, wanted, kit).filter(
    ({ shims }) => !trials.some((trial) => sameShims(trial, shims)),
  );
  const best = ways.reduce<Way | undefined>((a, b) => (a && a.cost <= b.cost ? a : b), undefined);
  const now = faultOf(model, last);
  const learned = { gain: fallen, thirdOfFace: 2 / 3 / lift, wanted };
  if (!best || best.cost > now - LEAST_GAIN)
    return { ...learned, ...shimsOf(last), ...STAYS, stuck: stuckAt(model, wanted, kit, now) };
  const pinionMove = best.shims.pinionShim - last.pinionShim;
  return {
    ...learned,
    ...best.shims,
    packs: best.packs,
    pinionMove,
    carrierMove: best.shims.ringSide - last.ringSide,
    totalOff: best.shims.ringSide + best.shims.otherSide - last.ringSide - last.otherSide,
    pressing: pinionMove !== 0,
  };
}

const STAYS = { packs: {}, pinionMove: 0, carrierMove: 0, totalOff: 0, pressing: false } as const;
const shimsOf = ({ pinionShim, ringSide, otherSide }: SetShims): SetShims => ({
  pinionShim,
  ringSide,
  otherSide,
});
/** Shims that cannot be told from others, mm. */
const ALIKE = 0.004;
const sameShims = (a: SetShims, b: SetShims): boolean =>
  Math.abs(a.pinionShim - b.pinionShim) < ALIKE && Math.abs(a.ringSide - b.ringSide) < ALIKE;

/** What the trials told of a set. */
interface Model {
  readonly last: Trial;
  readonly mean: number;
  readonly fallen: number;
  readonly byPinion: number;
  readonly level: number;
  readonly lift: number;
  readonly crossed: number;
  readonly window: SetUpWindow;
}
interface Way {
  readonly shims: SetShims;
  readonly packs: Advice['packs'];
  /** How far off it is by all that is known, 1 at the edge of its windows; with the work it is. */
  readonly cost: number;
}

/** Pressing a bearing is worth it only for this much nearer the middle of the windows; a gain smaller than the other is none. */
const PRESSING = 0.3;
const LEAST_GAIN = 0.05;
/** Preload is worth this much of a window for a hundredth of a mm of its shims, beyond what counts as kept. */
const PRELOAD = 0.4;

/** The carrier’s place that makes the backlash right with a pinion shim; its sides together stay what they are. */
function carrierFor(
  { last, mean, fallen, byPinion, window }: Model,
  pinionShim: number,
): Omit<SetShims, 'pinionShim'> {
  const off = mean - byPinion * (pinionShim - last.pinionShim) - middle(window);
  const move = Math.abs(off / fallen) < LEAST_MOVE ? 0 : off / fallen;
  const total = last.ringSide + last.otherSide;
  const ringSide = Math.min(total, Math.max(0, last.ringSide + move));
  return { ringSide, otherSide: total - ringSide };
}

/** How far off a set is by what the trials told, 1 at the edge of the worse of its windows. */
function faultOf({ last, mean, fallen, byPinion, level, lift, crossed, window }: Model, to: SetShims): number {
  const [p, c] = [to.pinionShim - last.pinionShim, to.ringSide - last.ringSide];
  const backlash = mean - byPinion * p - fallen * c;
  const across = level + lift * p + crossed * (middle(window) - backlash);
  const half = (window.backlash[1] - window.backlash[0]) / 2 || 1e-6;
  return Math.max(Math.abs(backlash - middle(window)) / half, Math.abs(across) / window.across);
}

/** Everything that can be put in: the pinion left or moved, the carrier left or moved, of the kit where it has shims. */
function waysOf(model: Model, wanted: SetShims, { pinion, carrier }: ShimKit): readonly Way[] {
  const { last } = model;
  const stays = { mm: last.pinionShim, pack: undefined };
  const pinions = [
    stays,
    ...(pinion.length
      ? shimPacks(wanted.pinionShim, pinion).map((pack) => ({ mm: wanted.pinionShim + pack.off, pack }))
      : [{ mm: wanted.pinionShim, pack: undefined }]),
  ].filter((at, i) => i === 0 || Math.abs(at.mm - last.pinionShim) >= LEAST_MOVE);
  const rings = pinions.map(({ mm }) => carrierFor(model, mm));
  const most = (side: 'ringSide' | 'otherSide') => Math.max(...rings.map((at) => at[side]));
  const deals = carrier.length ? new ShimDeals(carrier, most('ringSide'), most('otherSide')) : undefined;
  return pinions.flatMap(({ mm, pack }) =>
    carriersAt(model, mm, deals).map(({ shims, packs }): Way => {
      const all = { pinionShim: mm, ...shims };
      const off = Math.abs(shims.ringSide + shims.otherSide - last.ringSide - last.otherSide);
      return {
        shims: all,
        packs: { ...(pack ? { pinionShim: pack } : {}), ...packs },
        cost:
          faultOf(model, all) +
          (mm === last.pinionShim ? 0 : PRESSING) +
          Math.max(0, off - TOTAL_KEPT) * 100 * PRELOAD,
      };
    }),
  );
}

function carriersAt(model: Model, pinionShim: number, deals: ShimDeals | undefined) {
  const { last } = model;
  const right = carrierFor(model, pinionShim);
  const stays = { shims: { ringSide: last.ringSide, otherSide: last.otherSide }, packs: {} };
  if (!deals) return [stays, { shims: right, packs: {} }];
  return [
    stays,
    ...deals.pairs(right.ringSide, last.ringSide + last.otherSide).map(({ first, second }) => ({
      shims: { ringSide: right.ringSide + first.off, otherSide: right.otherSide + second.off },
      packs: { ringSide: first, otherSide: second },
    })),
  ];
}

/** A shim beside those of a kit, not thinner than this, makes what is wanted, mm. */
const THINNEST_BOUGHT = 0.05;

/** Why nothing better can be put in, and what would have to be bought. */
function stuckAt(model: Model, wanted: SetShims, { pinion, carrier }: ShimKit, now: number): Stuck {
  const { last } = model;
  const moves = (key: keyof SetShims): boolean => Math.abs(wanted[key] - last[key]) >= LEAST_MOVE;
  const missing = (
    key: keyof SetShims,
    kit: readonly number[],
  ): Readonly<Partial<Record<keyof SetShims, number>>> => {
    if (!moves(key) || kit.length === 0) return {};
    const below = shimPack(Math.max(0, wanted[key] - THINNEST_BOUGHT), kit);
    const made = below.best.reduce((a, b) => a + b, 0);
    return wanted[key] - made >= THINNEST_BOUGHT / 2 ? { [key]: wanted[key] - made } : {};
  };
  const buy = {
    ...missing('pinionShim', pinion),
    ...missing('ringSide', carrier),
    ...missing('otherSide', carrier),
  };
  return now > 1 && Object.keys(buy).length ? { why: 'kit', buy } : { why: 'notShims', buy: {} };
}

/** Shims that advice comes to. */
export const advisedShims = (advice: Advice): SetShims => shimsOf(advice);

/**
 * Where both contacts lie across. One that runs off the flank lies there or beyond: how far is told by how much drive and
 * coast lean apart along it, which a pinion too deep or too shallow makes them do, though less surely.
 */
function acrossOf({ drive, coast }: Trial): { readonly is: number; readonly weight: number } {
  const across = (drive.across + coast.across) / 2;
  if (Math.abs(across) <= RUNS_OFF) return { is: across, weight: 1 };
  const leaning = Math.abs(drive.along - coast.along) / 2 / LEAN;
  return { is: Math.sign(across) * Math.max(Math.abs(across), leaning), weight: 0.2 };
}

const middle = ({ backlash: [least, most] }: SetUpWindow): number => (least + most) / 2;

interface Guess {
  readonly mean: number;
  readonly off: number;
}
/** Nothing is known of it beforehand. */
const FREE: Guess = { mean: 0, off: 1e4 };

/** Least squares with a first guess of each unknown: normal equations, by elimination. */
function fitted(
  rows: readonly { readonly row: readonly number[]; readonly is: number; readonly weight?: number }[],
  guess: readonly Guess[],
  off: number,
): readonly number[] {
  const n = guess.length;
  const at = (i: number): Guess => guess[i] as Guess;
  const matrix = guess.map(({ off: a }, i) => guess.map((_, j) => (i === j ? 1 / a ** 2 : 0)));
  const right = guess.map(({ mean, off: a }) => mean / a ** 2);
  for (const { row, is, weight = 1 } of rows)
    for (let i = 0; i < n; i += 1) {
      right[i] = (right[i] as number) + (weight * (row[i] as number) * is) / off ** 2;
      const line = matrix[i] as number[];
      for (let j = 0; j < n; j += 1)
        line[j] = (line[j] as number) + (weight * (row[i] as number) * (row[j] as number)) / off ** 2;
    }
  const solved = solve(matrix, right);
  return solved.map((x, i) => (Number.isFinite(x) ? x : at(i).mean));
}

function solve(matrix: number[][], right: number[]): readonly number[] {
  const n = right.length;
  for (let k = 0; k < n; k += 1) {
    const pivot = matrix[k] as number[];
    for (let i = k + 1; i < n; i += 1) {
      const line = matrix[i] as number[];
      const share = (line[k] as number) / (pivot[k] as number);
      for (let j = k; j < n; j += 1) line[j] = (line[j] as number) - share * (pivot[j] as number);
      right[i] = (right[i] as number) - share * (right[k] as number);
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let i = n - 1; i >= 0; i -= 1) {
    const line = matrix[i] as number[];
    let sum = right[i] as number;
    for (let j = i + 1; j < n; j += 1) sum -= (line[j] as number) * (x[j] as number);
    x[i] = sum / (line[i] as number);
  }
  return x;
}

/**
 * Shim behind the pinion’s head of a new set, by the marks on both pinions: what each is off its nominal mounting
 * distance, mm.
 *
 * @example firstShim(0.84, 0.05, -0.03) // 0.92
 * @source new = old + (mark_old − mark_new)
 */
export const firstShim = (old: number, markOld: number, markNew: number): number => old + (markOld - markNew);
