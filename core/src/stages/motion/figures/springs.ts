import type { Maybe } from '../../../measure';
import { node, type Reads } from '../node';
import { memberId, sprung, type SprungFigures } from './arms';
import { figure, springOf, type SpringFigures } from './coil';
import { study } from './study';

/** A damper’s room at both ends, mm. */
interface DamperFigures {
  readonly of: SprungFigures;
  readonly toClosed: Maybe;
  readonly toOpen: Maybe;
}

/** Springs with their loads, lengths and rates. */
export const springs = node('springs', (r): readonly SpringFigures[] =>
  r
    .of(sprung)
    .filter(({ member }) => member.kind !== 'damper')
    .map((of) =>
      springOf(r, of, {
        rate: r.figure('coil.rate'),
        free: r.figure('coil.free'),
        solid: r.figure('coil.solid'),
      }),
    ),
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
            source: 'Eye to eye at its shortest in the travel with roll, less its closed length',
          },
          { b: of.rollIn, c: r.figure('damper.closed') },
        ),
        toOpen: figure(
          {
            id: `${id}.toOpen`,
            label: `${name}, left before it is drawn out`,
            unit: 'mm',
            formula: '{o} − {d}',
            source: 'Its open length less eye to eye at its longest in the travel with roll',
          },
          { o: r.figure('damper.open'), d: of.rollOut },
        ),
      };
    }),
);

/** What both rear springs give at the wheels while both go up alike, N/mm. */
export const rearRate = node('rearRate', (r): Maybe => {
  const spec = { id: 'motion.rearRate', label: 'Rate of the rear, by its springs', unit: 'N/mm' } as const;
  if (r.choice('suspension') === 'leaf')
    return figure(
      { ...spec, formula: '2·{k}', source: 'Both leaf springs, alike' },
      { k: r.figure('leaf.rate') },
    );
  const all = r.of(springs).map(({ wheelRate }) => wheelRate);
  const rates = Object.fromEntries(all.map((rate, i) => [`K_${i + 1}`, rate]));
  if (all.length === 0) return undefined;
  const formula = Object.keys(rates)
    .map((symbol) => `{${symbol}}`)
    .join(' + ');
  return figure({ ...spec, formula, source: 'All rear springs, each at its wheel' }, rates);
});

/** What turns against a degree of roll at the rear, N·m. */
interface RollFigures {
  readonly springs: Maybe;
  readonly bar: Maybe;
  /** Springs, bar and bind together. */
  readonly all: Maybe;
}

const ROLL = {
  id: 'motion.roll.springs',
  label: 'Roll stiffness of the rear springs, for a degree',
  unit: 'Nm',
} as const;

/** What leaf springs bring against roll. */
const leafRoll = (r: Reads): Maybe =>
  figure(
    {
      ...ROLL,
      formula: '{k}·{s}²/2·π/180/1000',
      source: 'Half of one spring’s rate by the square of how far they stand apart',
    },
    { k: r.figure('leaf.rate'), s: r.figure('spring.spacing') },
  );

/** What coil springs bring against roll: each by the square of its lever; nothing while one side has none. */
function coilRoll(r: Reads): Maybe {
  const all = r.of(sprung).filter(({ member }) => member.kind !== 'damper');
  const both = (['left', 'right'] as const).every((side) => all.some(({ member }) => member.side === side));
  if (!both) return undefined;
  const levers = Object.fromEntries(all.map(({ lever }, i) => [`a_${i + 1}`, lever]));
  const squares = Object.keys(levers).map((symbol) => `{${symbol}}²`);
  return figure(
    {
      ...ROLL,
      formula: `{k}·(${squares.join(' + ')})·π/180/1000`,
      source: 'Rate of one spring by the squares of their levers against roll',
    },
    { k: r.figure('coil.rate'), ...levers },
  );
}

/** Roll stiffness of the rear: springs, anti-roll bar, and what the bind adds. */
export const rollRate = node('rollRate', (r): RollFigures => {
  const bar = r.figure('motion.rollBar');
  const springsOnly = r.choice('suspension') === 'leaf' ? leafRoll(r) : coilRoll(r);
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
