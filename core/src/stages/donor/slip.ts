import { sized } from '../../measure';
import { type Check, type PlaceId, judgeFact, type OpenCheck } from '../../stage';
import type { Figure } from '../../measure';
import type { Fact } from '../../stage';
import type { Differential } from '../brief/choices';

/** What the tests of a differential say together. */
export interface SlipFinding {
  /** `unproven`: nothing but a claim. `contradiction`: two tests say different things. */
  readonly status: 'unproven' | 'proven' | 'contradiction';
  readonly kind?: Differential;
  /** What it rests on, in words. */
  readonly because: readonly string[];
  /** Places of the tests it rests on. */
  readonly proofs: readonly PlaceId[];
}

export interface SlipInput {
  readonly claim: Fact | undefined;
  readonly look: Fact | undefined;
  readonly turn: Fact | undefined;
  readonly torque: Figure | undefined;
  readonly wanted: Differential;
}

/** Break-away torque above which a differential is no plain open one, N·m. */
export const OPEN_BREAKAWAY_NM = 15;

const LOOKS: Readonly<Record<string, Differential>> = {
  clutches: 'limitedSlip',
  gears: 'limitedSlip',
  spool: 'locked',
  plain: 'open',
};
const LOOK_WORDS: Readonly<Record<string, string>> = {
  clutches: 'clutches seen inside',
  gears: 'helical gears seen inside',
  spool: 'a spool seen inside',
  plain: 'plain bevel gears seen inside',
};
const TURNS: Readonly<Record<string, readonly Differential[]>> = {
  // A worn limited-slip lets the other wheel turn backwards too, so this alone does not prove it open …
  opposite: ['open'],
  drag: ['limitedSlip'],
  same: ['limitedSlip', 'locked'],
};
const TURN_WORDS: Readonly<Record<string, string>> = {
  opposite: 'the other wheel turns backwards, easily',
  drag: 'the other wheel drags, then slips',
  same: 'the other wheel turns the same way',
};
export const KIND_WORDS: Readonly<Record<Differential, string>> = {
  open: 'open',
  limitedSlip: 'limited slip',
  locked: 'locked',
};

/**
 * What kind of differential the tests prove. A test counts only where it was done by oneself; what the seller
 * says about it is a claim like any other. All tests that were done must allow the same kind.
 */
export function slipFinding({ look, turn, torque }: SlipInput): SlipFinding {
  const proofs: { readonly at: PlaceId; readonly kinds: readonly Differential[]; readonly words: string }[] =
    [];
  const own = (fact: Fact | undefined) => (fact && fact.evidence !== 'seller' ? fact.value : undefined);
  const seen = own(look);
  const turned = own(turn);
  const kindSeen = seen === undefined ? undefined : LOOKS[seen];
  if (seen !== undefined && kindSeen)
    proofs.push({ at: 'fact.slip.look', kinds: [kindSeen], words: LOOK_WORDS[seen] ?? '' });
  if (turned !== undefined)
    proofs.push({ at: 'fact.slip.turn', kinds: TURNS[turned] ?? [], words: TURN_WORDS[turned] ?? '' });
  if (torque)
    proofs.push({
      at: 'slip.torque',
      kinds: torque.value > OPEN_BREAKAWAY_NM ? ['limitedSlip', 'locked'] : ['open'],
      words: `it breaks away at ${sized(torque.value, 'Nm')}`,
    });
  const [because, at] = [proofs.map((p) => p.words), proofs.map((p) => p.at)];
  if (proofs.length === 0) return { status: 'unproven', because, proofs: at };
  const left = (['open', 'limitedSlip', 'locked'] as const).filter((k) =>
    proofs.every((p) => p.kinds.includes(k)),
  );
  const [kind] = left;
  return kind
    ? { status: 'proven', kind, because, proofs: at }
    : { status: 'contradiction', because, proofs: at };
}

/** Holds what was found against what was claimed and what the brief wants. */
export function slipChecks(input: SlipInput, finding: SlipFinding): Check[] {
  const { claim, wanted } = input;
  const base = { id: 'donor.slip', stage: 'donor', at: 'slip.torque' } as const;
  const because = finding.because.join('; ');
  if (finding.status === 'contradiction')
    return [
      {
        level: 'caution',
        title: 'Tests of the differential contradict each other',
        reason: `${because}. A worn limited-slip can feel open; a new open one does not drag.`,
        todo: 'Look inside, and measure the break-away torque with one wheel held.',
        ...base,
      },
    ];
  if (finding.status === 'unproven') return claim ? [unproven(base, claim)] : [];
  const kind = finding.kind ?? 'open';
  const found = KIND_WORDS[kind];
  if (claim && claim.value !== kind)
    return [
      {
        level: 'stop',
        title: `Sold as ${KIND_WORDS[claim.value as Differential]}, but it is ${found}`,
        reason: `${because}.`,
        todo: 'Do not pay for what is not in it: take the price down, or leave this donor.',
        ...base,
      },
    ];
  const other = kind !== wanted;
  return [
    judgeFact({
      ...base,
      rests: Object.fromEntries(finding.proofs.map((place) => [place, found])),
      fault: other
        ? {
            level: 'caution',
            title: `The differential is ${found}; the brief wants ${KIND_WORDS[wanted]}`,
            todo: 'Count another differential into the money, or change the brief.',
          }
        : undefined,
      holds: `Differential proven ${found}`,
      unknown: '',
      reason: `${because}.`,
    }),
  ];
}

function unproven(base: Pick<OpenCheck, 'id' | 'stage' | 'at'>, claim: Fact): Check {
  return {
    level: 'caution',
    title: `Differential only said to be ${KIND_WORDS[claim.value as Differential]}`,
    reason: 'An open differential is often sold as a limited-slip one; a claim proves nothing.',
    todo: 'Look inside, turn one wheel and watch the other, and measure the break-away torque.',
    ...base,
  };
}
