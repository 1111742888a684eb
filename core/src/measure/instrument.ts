import { RAD_PER_DEGREE } from '../units';

/** What a reading was taken with. */
export type InstrumentId =
  'tape' | 'rule' | 'caliper' | 'indicator' | 'straightedge' | 'angleGauge' | 'scale' | 'estimate' | 'chosen';

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
  estimate: { id: 'estimate', label: 'estimate', halfResolution: 0.5 },
  chosen: { id: 'chosen', label: 'chosen', halfResolution: 0 },
};
