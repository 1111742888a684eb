import type { Figure } from '../measure';
import { freeText, name, object, oneOf, type Broken, type FieldShape } from './shape';

/** What of the car may still change while numbers are already read off it. */
export const OPEN_CHOICES = ['rideHeight', 'springs', 'load', 'gearbox', 'tyre'] as const;
export type OpenChoice = (typeof OPEN_CHOICES)[number];

/** Within a sentence. */
export const OPEN_NAMES: Readonly<Record<OpenChoice, string>> = {
  rideHeight: 'the ride height',
  springs: 'the springs',
  load: 'the load as used',
  gearbox: 'the gearbox',
  tyre: 'the tyre',
};

/** How firm a choice is. What is not in the plan was never said. */
export const OPEN_STATES = ['open', 'assumed', 'settled'] as const;
export type OpenState = (typeof OPEN_STATES)[number];

/** A choice as it stands: how firm, why, and who decides. */
export interface Openness {
  readonly state: OpenState;
  readonly reason: string;
  readonly who: string;
}
export type Openings = Readonly<Partial<Record<OpenChoice, Openness>>>;

/** Shortest reason that says something. */
export const LEAST_REASON = 3;

/** What is called settled says why, and who said so; what is open or assumed may be asked for that later. */
const settledBy = ({ state, reason, who }: Openness): Broken | undefined =>
  state !== 'settled' || (reason.trim().length >= LEAST_REASON && who.trim() !== '')
    ? undefined
    : {
        field: who.trim() === '' ? 'who' : 'reason',
        wrong: 'is missing for what is settled',
        right: 'why it is settled, in 3 letters or more, and who decided it',
      };

export const OPENNESS: FieldShape<Openness> = object<Openness>(
  { state: oneOf(OPEN_STATES), reason: freeText(300, 0), who: name(60, 0) },
  [],
  settledBy,
);

/**
 * Choices as a sum of bits, as figures carry them.
 *
 * @example waitsFor(['springs', 'gearbox']) // 2 + 8
 */
export const waitsFor = (choices: readonly OpenChoice[] = []): number =>
  choices.reduce((sum, choice) => sum | (1 << OPEN_CHOICES.indexOf(choice)), 0);

/**
 * Choices that a figure is true of and that are open, by name within a sentence.
 *
 * @example openUnder(shaftLength, { gearbox: { state: 'open', … } }) // ['the gearbox']
 */
export const openUnder = ({ waits }: Pick<Figure, 'waits'>, openings: Openings): readonly string[] =>
  waits === 0
    ? []
    : OPEN_CHOICES.filter((choice, bit) => waits & (1 << bit) && openings[choice]?.state === 'open').map(
        (choice) => OPEN_NAMES[choice],
      );

/**
 * Choices that a figure is true of and that are not settled: open, only assumed, or never said.
 *
 * @example unsettledUnder(slope, {}) // every choice that the slope is true of
 */
export const unsettledUnder = ({ waits }: Pick<Figure, 'waits'>, openings: Openings): readonly OpenChoice[] =>
  OPEN_CHOICES.filter((choice, bit) => {
    return (waits & (1 << bit)) !== 0 && openings[choice]?.state !== 'settled';
  });

/** Names in a row, within a sentence. */
export const inARow = (names: readonly string[]): string =>
  names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1) ?? ''}`;
