import { derive, given, type Maybe } from '../../../measure';
import { node } from '../node';
import { setUp } from './set-up';

/** Half of what a small torque gauge tells apart, N·m. */
const GAUGE = 0.05;

/** Pinion shims that differ by less are one, mm: half of what a micrometer is read to. */
const SAME_SHIM = 0.005;

/** What turns the pinion in its bearings alone, by the last trial that read it: without its seal’s part. */
interface Turning {
  readonly torque: Maybe;
  readonly bearings: 'new' | 'used' | undefined;
  /** What of it was not said, in words. */
  readonly unsaid: readonly string[];
}

export const turning = node('turning', (r): Turning | undefined => {
  const last = r
    .of(setUp)
    .trials.filter(({ torque }) => torque !== undefined)
    .at(-1);
  if (!last) return undefined;
  const { n, torque = 0, bearings, seal, pinionShim } = last;
  // A pinion that was pressed again since turns otherwise.
  const since = r.of(setUp).trials.some((t) => t.n > n && Math.abs(t.pinionShim - pinionShim) > SAME_SHIM);
  const unsaid = [
    ...(since ? ['what it turns at since the pinion was moved'] : []),
    ...(bearings ? [] : ['whether its bearings are new or used']),
    ...(seal ? [] : ['whether its seal is in']),
  ];
  const read = given(
    'gear.turned',
    `Torque to turn the pinion, trial ${n}`,
    torque,
    GAUGE / Math.sqrt(3),
    'Nm',
    {
      source: 'Torque gauge on the pinion’s nut',
      evidence: 'measured',
    },
  );
  const by = given(
    'gear.turnSeal',
    'Part of the seal',
    seal === 'in' ? r.limit('gear.turnSeal').value : 0,
    0,
    'Nm',
    seal === 'in' ? 'Limit of this project' : 'No seal in it',
  );
  return {
    bearings,
    unsaid,
    torque: unsaid.length
      ? undefined
      : derive({
          id: 'gear.turning',
          label: 'Torque that turns the pinion in its bearings',
          unit: 'Nm',
          formula: '{T} − {s}',
          source: 'As read, less what its seal takes',
          inputs: { T: read, s: by },
        }),
  };
});

/** Stack height of a clutch pack against its maker’s, mm. */
export const stackOff = node('stackOff', (r): Maybe => {
  const [h, book] = [r.figure('clutch.stack'), r.figure('clutch.stackBook')];
  return (
    h &&
    book &&
    derive({
      id: 'clutch.stackOff',
      label: 'Clutch pack against its maker’s height',
      unit: 'mm',
      formula: '{h} − {b}',
      source: 'As laid up, less the maker’s',
      inputs: { h, b: book },
    })
  );
});
