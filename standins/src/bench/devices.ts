import { Device, type DeviceSpec, type DeviceState } from './device';

const NO_CORNERS = { leftFront: 0, rightFront: 0, rightRear: 0, leftRear: 0 };
const state = (value: number, noise: number, more: Partial<DeviceState> = {}): DeviceState => ({
  value,
  channels: NO_CORNERS,
  noise,
  drift: 0,
  battery: 0.86,
  connected: true,
  fault: 'none',
  ...more,
});

const SPECS: readonly DeviceSpec[] = [
  {
    id: 'caliper',
    label: 'Caliper',
    kind: 'caliper',
    unit: 'mm',
    resolution: 0.01,
    start: state(76.04, 0.006),
  },
  {
    id: 'gauge',
    label: 'Angle gauge',
    kind: 'angleGauge',
    unit: 'deg',
    resolution: 0.05,
    start: state(3.1, 0.02),
  },
  {
    id: 'indicator',
    label: 'Dial indicator',
    kind: 'indicator',
    unit: 'mm',
    resolution: 0.001,
    start: state(0.082, 0.001),
  },
  {
    id: 'scales',
    label: 'Corner scales',
    kind: 'scales',
    unit: 'kg',
    resolution: 0.5,
    start: state(0, 0.2, { channels: { leftFront: 291.5, rightFront: 284, rightRear: 241, leftRear: 248.5 } }),
  },
];

/** The instruments on the bench. */
export const bench = (): ReadonlyMap<string, Device> => new Map(SPECS.map((s) => [s.id, new Device(s)]));
