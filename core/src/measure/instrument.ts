import { RAD_PER_DEGREE } from '../units';

/** What a reading was taken with. */
export type InstrumentId =
  | 'tape'
  | 'rule'
  | 'caliper'
  | 'indicator'
  | 'straightedge'
  | 'angleGauge'
  | 'scale'
  | 'count'
  | 'estimate'
  | 'seen'
  | 'seller'
  | 'chosen';

/** An instrument and the half-width of the interval a single reading of it stands for. */
export interface Instrument {
  readonly id: InstrumentId;
  readonly label: string;
  /** Half-resolution a, in mm (rad for the angle gauge, kg for scales). The true value is taken as uniform within ±a. */
  readonly halfResolution: number;
}

/** Half-resolutions are the project's defaults; `chosen` is a decision, not a measurement, and has none. */
export const INSTRUMENTS: Readonly<Record<InstrumentId, Instrument>> = {
  tape: { id: 'tape', label: 'tape', halfResolution: 0.8 },
  rule: { id: 'rule', label: 'steel rule', halfResolution: 0.25 },
  caliper: { id: 'caliper', label: 'caliper', halfResolution: 0.02 },
  indicator: { id: 'indicator', label: 'dial indicator', halfResolution: 0.005 },
  straightedge: { id: 'straightedge', label: 'straightedge and feeler', halfResolution: 0.05 },
  angleGauge: { id: 'angleGauge', label: 'angle gauge', halfResolution: 0.1 * RAD_PER_DEGREE },
  scale: { id: 'scale', label: 'scales', halfResolution: 1 },
  // An estimate is no measurement: it is looser than any tape, and no firmer than a look.
  estimate: { id: 'estimate', label: 'estimate', halfResolution: 3 },
  count: { id: 'count', label: 'counted', halfResolution: 0 },
  seen: { id: 'seen', label: 'seen, not measured', halfResolution: 2 },
  seller: { id: 'seller', label: 'seller says', halfResolution: 5 },
  chosen: { id: 'chosen', label: 'chosen', halfResolution: 0 },
};

/** How far a value is proven: read by oneself, seen but not measured, told by the seller, or decided. */
export type Evidence = 'measured' | 'seen' | 'seller' | 'chosen';

/** Grades from the firmest to the weakest. A decision is as firm as a measurement: it is nobody's claim. */
export const EVIDENCE_RANK: Readonly<Record<Evidence, number>> = { chosen: 0, measured: 0, seen: 1, seller: 2 };

/**
 * Grade of what was read with an instrument.
 *
 * @example evidenceOf('caliper') // 'measured'
 */
export function evidenceOf(instrument: InstrumentId): Evidence {
  if (instrument === 'seller' || instrument === 'chosen') return instrument;
  return instrument === 'seen' || instrument === 'estimate' ? 'seen' : 'measured';
}

/** What an angle may be off by where it was only seen, or told. */
const LOOSE_ANGLE_RAD: Readonly<Partial<Record<InstrumentId, number>>> = {
  estimate: RAD_PER_DEGREE,
  seen: RAD_PER_DEGREE,
  seller: 2 * RAD_PER_DEGREE,
};

/**
 * Half-width of the interval a single reading of a unit stands for, in that unit. Counts, shares and money are
 * taken at their word: what they may be wrong by has no width.
 */
export function halfResolutionOf(instrument: InstrumentId, unit: string): number {
  if (unit === 'rad') return LOOSE_ANGLE_RAD[instrument] ?? INSTRUMENTS[instrument].halfResolution;
  const loose = evidenceOf(instrument) !== 'measured';
  return loose && unit !== 'mm' && unit !== 'kg' ? 0 : INSTRUMENTS[instrument].halfResolution;
}

/** What may stand for a reading of any unit: a claim, a look, an estimate, a decision. */
const ANY: readonly InstrumentId[] = ['chosen', 'estimate', 'seen', 'seller'];
const BY_UNIT: Readonly<Record<string, readonly InstrumentId[]>> = {
  mm: ['tape', 'rule', 'caliper', 'indicator', 'straightedge'],
  rad: ['angleGauge'],
  count: ['count'],
  // Read off the car’s own dial, or said by whoever ran it.
  rpm: [],
  'rad/s2': [],
  'm/s': [],
  s: [],
  m: [],
};

/**
 * Instruments that can read a unit: a length is read by tape, rule, caliper, indicator or straightedge, an angle by a
 * gauge; weights, forces and torques by scales.
 *
 * @example instrumentsFor('rad') // ['angleGauge', 'chosen', 'estimate', 'seen', 'seller']
 */
export const instrumentsFor = (unit: string): readonly InstrumentId[] => [
  ...(BY_UNIT[unit] ?? ['scale']),
  ...ANY,
];
