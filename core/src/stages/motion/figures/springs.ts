import type { Maybe } from '../../../measure';
import { node, type Reads } from '../node';
import { memberId, sprung, type SprungFigures } from './arms';
import { figure, springOf, type SpringFigures } from './coil';
import { holding } from './held';
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
