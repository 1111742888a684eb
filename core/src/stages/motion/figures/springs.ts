import { derive, type Figure, type Maybe } from '../../../measure';
import { node, type Reads } from '../node';
import { memberId, sprung, type SprungFigures } from './arms';
import { holding } from './held';
import { study } from './study';

/** What a spring does at one wheel. */
interface SpringFigures {
  readonly of: SprungFigures;
  /** What one spring carries at ride height, N. */
  readonly load: Maybe;
  /** At the wheel, N/mm, and what one rear corner then swings at, Hz as a count. */
  readonly wheelRate: Maybe;
  readonly frequency: Maybe;
  /** Length of the spring itself, mm: at ride, bump and droop. */
  readonly ride: Maybe;
  readonly bump: Maybe;
  readonly droop: Maybe;
  /** Free length that would carry the car with the seats where they are on the damper, by this rate. */
  readonly seat: Maybe;
  /** Spring left over before it is solid at bump; how loose it is at droop. */
  readonly left: Maybe;
  readonly loose: Maybe;
}

/** A damper’s room at both ends, mm. */
interface DamperFigures {
  readonly of: SprungFigures;
  readonly toClosed: Maybe;
  readonly toOpen: Maybe;
}

/** Mass that each rear spring carries, kg. */
const sprungCorner = node('sprungCorner', (r): Maybe => {
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

function figure(
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

function springOf(r: Reads, of: SprungFigures): SpringFigures {
  const id = memberId(of.member);
  const { name } = of.member;
  const k = r.figure('coil.rate');
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
    { L: r.figure('coil.free'), F: load, k },
  );
  const at = (what: 'bump' | 'droop', words: string, end: Maybe): Maybe =>
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
        label: `${name}, natural frequency, Hz`,
        unit: 'count',
        formula: '√(1000·{K}/{m})/(2·π)',
        source: 'One corner of the body on its spring, both wheels alike',
      },
      { K: wheelRate, m },
    ),
    ride,
    bump,
    droop,
    ...roomOf(r, of, { ride, bump, droop }),
  };
}

/** What is left of a spring at both ends of the travel, and what its adjuster takes. */
function roomOf(
  r: Reads,
  of: SprungFigures,
  { ride, bump, droop }: Pick<SpringFigures, 'ride' | 'bump' | 'droop'>,
): Pick<SpringFigures, 'seat' | 'left' | 'loose'> {
  const id = memberId(of.member);
  const { name } = of.member;
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
      { b: bump, S: r.figure('coil.solid') },
    ),
    loose: figure(
      {
        id: `${id}.loose`,
        label: `${name}, spring still pressed at full droop by`,
        unit: 'mm',
        formula: '{L} − {d}',
        source: 'Free length less its length at full droop; minus is how loose it hangs',
      },
      { L: r.figure('coil.free'), d: droop },
    ),
  };
}

/** Springs with their loads, lengths and rates. */
export const springs = node('springs', (r): readonly SpringFigures[] =>
  r
    .of(sprung)
    .filter(({ member }) => member.kind !== 'damper')
    .map((of) => springOf(r, of)),
);

/** Dampers with their room. */
export const dampers = node('dampers', (r): readonly DamperFigures[] =>
  r
    .of(sprung)
    .filter(({ member }) => member.kind !== 'coil')
    .map((of) => {
      const id = memberId(of.member);
      const { name } = of.member;
      return {
        of,
        toClosed: figure(
          {
            id: `${id}.toClosed`,
            label: `${name}, left before it is closed`,
            unit: 'mm',
            formula: '{b} − {c}',
            source: 'Eye to eye at full bump less its closed length',
          },
          { b: of.bump, c: r.figure('damper.closed') },
        ),
        toOpen: figure(
          {
            id: `${id}.toOpen`,
            label: `${name}, left before it is drawn out`,
            unit: 'mm',
            formula: '{o} − {d}',
            source: 'Its open length less eye to eye at full droop',
          },
          { o: r.figure('damper.open'), d: of.droop },
        ),
      };
    }),
);

/** What turns against a degree of roll at the rear, N·m. */
interface RollFigures {
  readonly springs: Maybe;
  readonly bar: Maybe;
  /** Springs, bar and bind together. */
  readonly all: Maybe;
}

/** How far the springs stand apart on the axle, mm, and the rate of one of them. */
function standApart(r: Reads): { readonly s: Maybe; readonly k: Maybe } {
  if (r.choice('suspension') === 'leaf') return { s: r.figure('spring.spacing'), k: r.figure('leaf.rate') };
  const held = r.of(holding).held;
  const left = held?.sprung.find(({ kind, side }) => kind !== 'damper' && side === 'left');
  const right = held?.sprung.find(({ kind, side }) => kind !== 'damper' && side === 'right');
  const [a, b] = [left, right].map((m) => m && held?.inputs[m.axle[1]]);
  if (!a || !b || !right) return { s: undefined, k: r.figure('coil.rate') };
  return {
    s: figure(
      {
        id: 'motion.springsApart',
        label: 'Springs stand apart on the axle by',
        unit: 'mm',
        formula: right.sign < 0 ? '{l} + {r}' : '{l} − {r}',
        source: 'Their ends on the axle',
      },
      { l: a, r: b },
    ),
    k: r.figure('coil.rate'),
  };
}

/** Roll stiffness of the rear: springs, anti-roll bar, and what the bind adds. */
export const rollRate = node('rollRate', (r): RollFigures => {
  const { s, k } = standApart(r);
  const bar = r.figure('motion.rollBar');
  const springsOnly = figure(
    {
      id: 'motion.roll.springs',
      label: 'Roll stiffness of the rear springs, for a degree',
      unit: 'Nm',
      formula: '{k}·{s}²/2·π/180/1000',
      source: 'Half of one spring’s rate by the square of how far they stand apart; they stand upright',
    },
    { k, s },
  );
  return {
    springs: springsOnly,
    bar,
    all: figure(
      {
        id: 'motion.roll.all',
        label: 'Roll stiffness of the rear, for a degree',
        unit: 'Nm',
        formula: '{a} + {b} + {c}',
        source: 'Springs, anti-roll bar, and what the bind of the links adds',
      },
      { a: springsOnly, b: bar, c: r.of(study).addedRoll },
    ),
  };
});
