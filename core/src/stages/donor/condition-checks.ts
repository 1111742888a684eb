import { judge, type Check, type LimitIdOf, type LimitsOf, judgeFact, type QuantityIdOf } from '../../stage';
import { SIDES } from '../../geometry';
import type { Figure } from '../../measure';
import { optionText, type Fact, type FactIdOf, type FactOf, type FigureOf } from '../../stage';
import { DONOR_FACTS } from './facts';
import type { donor } from './words';

type Limits = LimitsOf<typeof donor>;
type Facts = FactOf<typeof donor>;

interface Flaw {
  readonly level: 'caution' | 'stop';
  readonly reason: string;
  readonly todo: string;
}

/** What a finding means, by fact and value. What is not here is in order. */
const FAULTS: Readonly<Record<string, Readonly<Record<string, Flaw>>>> = {
  'cond.gears': {
    worn: {
      level: 'caution',
      reason: 'A worn pair runs on as it is, but cannot be set anew.',
      todo: 'Keep its shims and its mesh, or count a new pair into the money.',
    },
    broken: {
      level: 'stop',
      reason: 'Pitted or chipped teeth break further under load.',
      todo: 'Count a gear set and its setting into the money, or leave this donor.',
    },
  },
  'cond.fasteners': {
    seized: {
      level: 'caution',
      reason: 'Seized bolts cost hours, and break.',
      todo: 'Soak them days before; count the hours, and new fasteners.',
    },
    sheared: {
      level: 'caution',
      reason: 'A sheared bolt has to be drilled out, and its thread may go with it.',
      todo: 'Count the drilling and a thread insert into the money.',
    },
  },
  'cond.threads': {
    damaged: {
      level: 'caution',
      reason: 'A stripped thread holds nothing.',
      todo: 'Count thread inserts into the money, and look whether there is metal for them.',
    },
  },
  'cond.inserts': {
    bought: {
      level: 'caution',
      reason: 'The part is no use without it.',
      todo: 'Order it before anything else is bought.',
    },
    never: {
      level: 'stop',
      reason: 'A missing insert that nobody sells makes the whole part scrap.',
      todo: 'Leave this donor, or find the insert on another one first.',
    },
  },
};

const FAULTY = Object.keys(FAULTS) as readonly FactIdOf<typeof donor>[];

/** Checks of what was found on the donor: seen faults, run-out, worn journals, bent tubes. */
export function conditionChecks(facts: Facts, of: FigureOf<typeof donor>, limits: Limits): Check[] {
  return [
    ...FAULTY.flatMap((id) => factCheck(id, facts(id))),
    ...SIDES.flatMap((side) => [
      ...measured([`cond.runout.${side}`, of(`cond.runout.${side}`)], 'cond.runout', limits, {
        what: `Wheel face runs out, ${side}`,
        fine: `Wheel face runs true, ${side}`,
        reason: 'A bent flange shakes the wheel and works its bearing loose.',
        todo: 'Read it again on the bare flange; a bent shaft is replaced, never straightened.',
      }),
      ...measured([`cond.journal.${side}`, of(`cond.journal.${side}`)], 'cond.journal', limits, {
        what: `Bearing journal is worn, ${side}`,
        fine: `Bearing journal is good, ${side}`,
        reason: 'A worn journal lets the shaft move and the seal leak.',
        todo: 'Plan another shaft, or a bearing that runs on a fresh place.',
      }),
    ]),
    ...measured(['cond.straight', of('cond.straight')], 'cond.straight', limits, {
      what: 'The tubes are bent',
      fine: 'The tubes are straight',
      reason: 'A cut keeps the bend and adds its own.',
      todo: 'Straighten before any end is cut, or leave this donor.',
    }),
  ];
}

function factCheck(id: FactIdOf<typeof donor>, fact: Fact | undefined): Check[] {
  if (!fact) return [];
  const fault = FAULTS[id]?.[fact.value];
  const kind = DONOR_FACTS.find((k) => k.id === id);
  const label = kind?.label ?? id;
  const told = fact.evidence === 'seller';
  const title = `${label}: ${optionText(kind, fact.value)}${told ? ', the seller says' : ''}`;
  return [
    judgeFact({
      id,
      stage: 'donor',
      // A seller’s word is no look.
      rests: { [`fact.${id}`]: told ? undefined : fact.value },
      fault: fault && { title, ...fault },
      holds: title,
      unknown: `${title}; not looked at, so not known`,
      reason: told ? 'What is sold as good has to be looked at.' : 'Looked at and in order.',
      at: `fact.${id}`,
      lacks: [`fact.${id}`],
    }),
  ];
}

interface Words {
  readonly what: string;
  readonly fine: string;
  readonly reason: string;
  readonly todo: string;
}

function measured(
  [at, figure]: readonly [QuantityIdOf<typeof donor>, Figure | undefined],
  limitId: LimitIdOf<typeof donor>,
  limits: Limits,
  words: Words,
): Check[] {
  if (!figure) return [];
  return [
    judge({
      id: figure.id,
      stage: 'donor',
      figure,
      way: 'atMost',
      limit: limits(limitId),
      holds: words.fine,
      fails: words.what,
      unknown: `${words.what}: not known`,
      todo: words.todo,
      reason: words.reason,
      at,
    }),
  ];
}
