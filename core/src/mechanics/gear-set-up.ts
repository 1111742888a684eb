import { shimPack, type ShimPack } from './shim-kit';

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
  readonly pinionShim: number;
  readonly ringSide: number;
  readonly otherSide: number;
  /** Pinion toward the ring, and ring toward the pinion, mm. */
  readonly pinionMove: number;
  readonly carrierMove: number;
  /** Shims of the kit that make them, and what they miss it by, mm; left out where the kit has none of their kind. */
  readonly packs: Readonly<Partial<Record<keyof SetShims, ShimPack>>>;
  /** The pinion’s bearing has to be pressed off and on again. */
  readonly pressing: boolean;
  /** Backlash that the carrier’s move takes away, over the move; learned from the trials. */
  readonly gain: number;
  /** Pinion’s move for a third of the face, mm; learned from the trials. */
  readonly thirdOfFace: number;
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
 * How much moves what is learned from all trials so far.
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
  const [level, lift] = fitted(
    seen.map(({ trial, mean }) => ({
      row: [1, trial.pinionShim - last.pinionShim, middle(window) - mean],
      ...acrossOf(trial),
    })),
    [FREE, GUESS.across, GUESS.crossed],
    CONTACT_OFF,
  ) as [number, number, number];
  // With the backlash right, the contact lies at `level` with the pinion where it is.
  const wanted = -level / lift;
  const pinionMove = Math.abs(wanted) < LEAST_MOVE ? 0 : wanted;
  const now = (seen.at(-1) as { readonly mean: number }).mean - byPinion * pinionMove;
  const carrierWanted = (now - middle(window)) / fallen;
  const carrierMove = Math.abs(carrierWanted) < LEAST_MOVE ? 0 : carrierWanted;
  const shims = {
    pinionShim: Math.max(0, last.pinionShim + pinionMove),
    ringSide: Math.max(0, last.ringSide + carrierMove),
    otherSide: Math.max(0, last.otherSide - carrierMove),
  };
  return {
    ...shims,
    packs: packsOf(shims, kit),
    pinionMove,
    carrierMove,
    pressing: pinionMove !== 0,
    gain: fallen,
    thirdOfFace: 2 / 3 / lift,
  };
}

/** Shims that advice comes to: of the kit where it has some, else as wanted. */
export function advisedShims({ packs, ...wanted }: Advice): SetShims {
  const of = (which: keyof SetShims) => packs[which]?.best.reduce((a, b) => a + b, 0) ?? wanted[which];
  return { pinionShim: of('pinionShim'), ringSide: of('ringSide'), otherSide: of('otherSide') };
}

/** Packs of a kit for three thicknesses, no shim in two of them: the carrier’s sides in the order that misses less. */
function packsOf(shims: SetShims, { pinion, carrier }: ShimKit): Advice['packs'] {
  const both = (first: 'ringSide' | 'otherSide', second: 'ringSide' | 'otherSide') => {
    const one = shimPack(shims[first], carrier);
    const two = shimPack(shims[second], without(carrier, one.best));
    return { packs: { [first]: one, [second]: two }, off: Math.abs(one.off) + Math.abs(two.off) };
  };
  const [a, b] = [both('ringSide', 'otherSide'), both('otherSide', 'ringSide')];
  return {
    ...(pinion.length ? { pinionShim: shimPack(shims.pinionShim, pinion) } : {}),
    ...(carrier.length ? (b.off < a.off ? b : a).packs : {}),
  };
}

/** A kit without shims that were taken out of it. */
function without(kit: readonly number[], taken: readonly number[]): readonly number[] {
  const left = [...kit];
  for (const mm of taken) left.splice(left.indexOf(mm), 1);
  return left;
}

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
