import { derive, type Figure, type Maybe } from '../../../measure';
import { node, type Reads } from '../node';
import { memberId, type SprungFigures } from './arms';

/** What a spring does at one wheel. */
export interface SpringFigures {
  readonly of: SprungFigures;
  /** What one spring carries at ride height, N. */
  readonly load: Maybe;
  /** At the wheel, N/mm, and what one rear corner then swings at, Hz. */
  readonly wheelRate: Maybe;
  readonly frequency: Maybe;
  /** Length of the spring itself, mm: at ride, bump and droop. */
  readonly ride: Maybe;
  readonly bump: Maybe;
  readonly droop: Maybe;
  /** In full roll: on the side that goes up, and on the one that goes down. */
  readonly rollIn: Maybe;
  readonly rollOut: Maybe;
  /** Free length that would carry the car with the seats where they are on the damper, by this rate. */
  readonly seat: Maybe;
  /** Spring left over before it is solid at bump; how loose it is at droop. */
  readonly left: Maybe;
  readonly loose: Maybe;
}

/** A coil spring by itself. */
interface Coil {
  readonly rate: Maybe;
  readonly free: Maybe;
  readonly solid: Maybe;
}

/** Mass that each rear spring carries, kg. */
export const sprungCorner = node('sprungCorner', (r): Maybe => {
  const [rear, axle] = [r.figure('brief.rear'), r.figure('motion.unsprung')];
  if (!rear || !axle) return undefined;
  return derive({
    id: 'motion.corner',
    label: 'Mass on one rear spring',
    unit: 'kg',
    formula: '({R} − {A})/2',
    source: 'Half of the rear axle’s load, less the axle with its wheels',
    inputs: { R: rear, A: axle },
  });
});

type Inputs = Readonly<Record<string, Maybe>>;
/** All inputs, or nothing where one is not known. */
function known(inputs: Inputs): Readonly<Record<string, Figure>> | undefined {
  return Object.values(inputs).every((f) => f !== undefined)
    ? (inputs as Readonly<Record<string, Figure>>)
    : undefined;
}

export function figure(
  spec: {
    readonly id: string;
    readonly label: string;
    readonly unit: Figure['unit'];
    readonly formula: string;
    readonly source: string;
  },
  inputs: Inputs,
): Maybe {
  const all = known(inputs);
  if (!all) return undefined;
  const made = derive({ ...spec, inputs: all });
  return Number.isFinite(made.value) ? made : undefined;
}

/**
 * What a coil spring does in the place of one that is listed.
 *
 * @param named prefix of its figures’ ids, and what they are called by; of the member itself where left out
 */
export function springOf(
  r: Reads,
  of: SprungFigures,
  coil: Coil,
  { id, name } = { id: memberId(of.member), name: of.member.name },
): SpringFigures {
  const { rate: k } = coil;
  const m = r.of(sprungCorner);
  const load = figure(
    {
      id: `${id}.load`,
      label: `${name}, load at ride height`,
      unit: 'N',
      formula: '{m}·9.80665/{i}',
      source: 'What its wheel carries of the body, by its motion ratio',
    },
    { m, i: of.ratio },
  );
  const ride = figure(
    {
      id: `${id}.springRide`,
      label: `${name}, spring’s length at ride height`,
      unit: 'mm',
      formula: '{L} − {F}/{k}',
      source: 'Free length less what its load presses it together',
    },
    { L: coil.free, F: load, k },
  );
  const at = (what: 'bump' | 'droop' | 'rollIn' | 'rollOut', words: string, end: Maybe): Maybe =>
    figure(
      {
        id: `${id}.spring.${what}`,
        label: `${name}, spring’s length ${words}`,
        unit: 'mm',
        formula: '{s} + {e} − {r}',
        source: 'At ride height, and by how much its ends come together or part',
      },
      { s: ride, e: end, r: of.ride },
    );
  const bump = at('bump', 'at full bump', of.bump);
  const droop = at('droop', 'at full droop', of.droop);
  const rollIn = at('rollIn', 'in the travel with roll, shortest', of.rollIn);
  const rollOut = at('rollOut', 'in the travel with roll, longest', of.rollOut);
  const wheelRate = figure(
    {
      id: `${id}.wheelRate`,
      label: `${name}, rate at the wheel`,
      unit: 'N/mm',
      formula: '{k}·{i}²',
      source: 'Spring rate by the square of its motion ratio; both wheels alike',
    },
    { k, i: of.ratio },
  );
  return {
    of,
    load,
    wheelRate,
    frequency: figure(
      {
        id: `${id}.frequency`,
        label: `${name}, natural frequency`,
        unit: 'Hz',
        formula: '√(1000·{K}/{m})/(2·π)',
        source: 'One corner of the body on its spring, both wheels alike',
      },
      { K: wheelRate, m },
    ),
    ride,
    bump,
    droop,
    rollIn,
    rollOut,
    ...roomOf(of, coil, { id, name, ride, bump: rollIn, droop: rollOut }),
  };
}

/** What is left of a spring at both ends of the travel, and what its adjuster takes. */
function roomOf(
  of: SprungFigures,
  { free, solid }: Coil,
  {
    id,
    name,
    ride,
    bump,
    droop,
  }: Pick<SpringFigures, 'ride' | 'bump' | 'droop'> & { readonly id: string; readonly name: string },
): Pick<SpringFigures, 'seat' | 'left' | 'loose'> {
  return {
    seat: figure(
      {
        id: `${id}.seat`,
        label: `${name}, spring seats stand inside its ends by`,
        unit: 'mm',
        formula: '{e} − {s}',
        source: 'Eye to eye at ride height less the spring’s own length then: what the adjuster takes',
      },
      { e: of.ride, s: ride },
    ),
    left: figure(
      {
        id: `${id}.left`,
        label: `${name}, left before the spring is solid`,
        unit: 'mm',
        formula: '{b} − {S}',
        source: 'Spring’s length at full bump less its solid length',
      },
      { b: bump, S: solid },
    ),
    loose: figure(
      {
        id: `${id}.loose`,
        label: `${name}, spring still pressed at full droop by`,
        unit: 'mm',
        formula: '{L} − {d}',
        source: 'Free length less its length at full droop; minus is how loose it hangs',
      },
      { L: free, d: droop },
    ),
  };
}
