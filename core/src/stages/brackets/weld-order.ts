import type { BracketKind } from './choices';

/** A step of the weld order. */
export interface WeldStep {
  readonly id: string;
  readonly what: string;
  readonly why: string;
  /** Nothing goes on before its readings were taken and compared. */
  readonly hold?: true;
  /** Brackets whose readings it wants and that have none yet, by name: until then it is not done. */
  readonly unread?: readonly string[];
}

/** What of a bracket its turn follows from. */
interface Welded {
  readonly id: string;
  readonly name: string;
  readonly kind: BracketKind;
  readonly side: 'left' | 'right' | 'across';
  /** What it was read as, after that step. */
  readonly made?: 'tacked' | 'welded';
}

/** How the housing is cut, and where its joints come. */
export type HousingWork =
  /** Nothing of it is cut. */
  | 'whole'
  /** A slug goes out inboard of the end, which stays on: one butt a side. */
  | 'slug'
  /** The end comes off and is welded on again: one joint a side, the last of all. */
  | 'endOff'
  /** New tubes in the casting, new ends on them. */
  | 'newTubes';

interface WeldOrderInput {
  /** What is welded. */
  readonly brackets: readonly Welded[];
  /** What is drilled, by name: before anything that could cover its place. */
  readonly drilled: readonly { readonly id: string; readonly name: string }[];
  /** Of the donor, in the way of what is welded, by name. */
  readonly ground: readonly string[];
  readonly work: HousingWork;
  /** Sides that are cut, in words; empty for both. */
  readonly sides: string;
  /** A bar through the bearings’ seats is among the tools. */
  readonly bar: boolean;
  readonly perches: 'first' | 'last';
  /** Mount to mount that bare dampers are held at, told in words; empty while it is not known. */
  readonly dampers: string;
}

/** How much a kind pulls a tube: those that pull most come first. */
const PULL: Readonly<Record<BracketKind, number>> = {
  truss: 0,
  brace: 1,
  link: 2,
  lateral: 3,
  coil: 4,
  shock: 5,
  bumpStop: 6,
  perch: 7,
  hoseTab: 8,
  clip: 9,
  breather: 10,
  drain: 10,
  filler: 10,
};

const WHY: Readonly<Partial<Record<BracketKind, string>>> = {
  truss: 'It pulls the housing most of all: before whatever it would pull; short runs, opposite sides in turn.',
  brace: 'Its welds pull the tube: before what has to stay where it is, opposite sides in turn.',
  perch: 'Its angle is the pinion’s: nothing that pulls comes after it.',
};

/** Opposite sides in turn: left, right, left, right, with what lies across before them. */
function inTurn(list: readonly Welded[]): readonly Welded[] {
  const of = (side: Welded['side']) => list.filter((w) => w.side === side);
  const [left, right] = [of('left'), of('right')];
  const both = Array.from({ length: Math.max(left.length, right.length) }, (_, i) => [left[i], right[i]]);
  return [...of('across'), ...both.flat().filter((w): w is Welded => w !== undefined)];
}

/** Brackets as they are welded: what pulls most first, opposite sides in turn, perches when they are wanted. */
function weldingTurn({ brackets, perches }: Pick<WeldOrderInput, 'brackets' | 'perches'>): readonly Welded[] {
  const perch = (w: Welded) => w.kind === 'perch';
  const others = [...new Set(brackets.filter((w) => !perch(w)).map((w) => PULL[w.kind]))]
    .sort((a, b) => a - b)
    .flatMap((pull) => inTurn(brackets.filter((w) => !perch(w) && PULL[w.kind] === pull)));
  const seats = inTurn(brackets.filter(perch));
  return perches === 'first' ? [...seats, ...others] : [...others, ...seats];
}

const BUTTS: Readonly<Record<HousingWork, WeldStep | undefined>> = {
  whole: undefined,
  slug: {
    id: 'butts',
    what: 'Weld the butts where the slug came out, quarters opposite each other in turn',
    why: 'They set the width. The housing ends never came off: they are read again after each quarter.',
  },
  endOff: {
    id: 'tackEnds',
    what: 'Tack the end pieces on: three tacks, evenly round; read width and line',
    why: 'They only have to carry the axle for its trial in the car; their one joint is welded last.',
  },
  newTubes: {
    id: 'tubes',
    what: 'Press the tubes in, tack them to the casting, and tack the ends on',
    why: 'Tacks carry the axle for its trial in the car; nothing is welded through before that.',
  },
};

/** Steps before anything of the brackets. */
function beginning({ drilled, ground, work, sides, bar }: WeldOrderInput): WeldStep[] {
  const butt = BUTTS[work];
  return [
    {
      id: 'level',
      what: bar
        ? 'Lay the housing on its stands, zero the gauge on the casting’s flat, bar through the bearings’ seats'
        : 'Lay the housing on its stands, zero the gauge on the casting’s flat; no bar is among the tools: straightedges across both end faces',
      why: 'Every place and angle is against these. Seals, bearings and shafts are out: heat spoils them.',
    },
    ...(ground.length
      ? [
          {
            id: 'grind',
            what: `Grind off what stands in the way: ${ground.join(', ')}`,
            why: 'A part on an old weld stands crooked and cracks. Do not grind into the tube.',
          },
        ]
      : []),
    ...drilled.map(({ id, name }) => ({
      id: `drill.${id}`,
      what: `Drill and tap for ${name}; plug it until all is welded`,
      why: 'Before anything can cover its place; chips come out while the housing is open.',
    })),
    ...(butt ? [{ ...butt, what: sides ? `${butt.what} (${sides})` : butt.what }] : []),
  ];
}

/** The joints that are welded through once the axle was in the car. */
function tubesThrough({ work }: WeldOrderInput): WeldStep[] {
  if (work !== 'newTubes') return [];
  return [
    {
      id: 'weldTubes',
      what: 'Weld the tubes to the casting: short runs, opposite sides in turn, let it cool between',
      why: 'What is nearest the middle pulls the whole tube: it comes before all else.',
    },
  ];
}

const ending = ({ work, bar, sides, brackets }: WeldOrderInput): readonly WeldStep[] => [
  ...(work === 'endOff' || work === 'newTubes'
    ? [
        {
          id: 'ends',
          what: `Weld the ends last${sides ? ` (${sides})` : ''}, ${
            bar
              ? 'with the bar through both: it has to turn and slide freely'
              : 'quarters opposite each other; no bar is among the tools: read straightness after each quarter, or borrow one'
          }`,
          why: 'All that pulls the tubes is done; whatever comes after this bends them again.',
        },
      ]
    : []),
  ...(work !== 'whole' || brackets.length
    ? [
        {
          id: 'straight',
          hold: true as const,
          what: 'Read the straightness of both ends again, cold',
          why: 'A bent housing wears bearings and tyres and breaks shafts.',
        },
      ]
    : []),
];

/**
 * Steps from a bare housing to a straight one with all its brackets, with its hold points, by the way it is cut.
 *
 * @example weldOrder({ work: 'slug', brackets: [truss, perchLeft, perchRight], … })
 * // level, butts, tacks, trial in the car, truss, perches, straightness; no ends, for they never came off
 */
export function weldOrder(input: WeldOrderInput): readonly WeldStep[] {
  const { brackets, dampers } = input;
  const steps = beginning(input);
  if (brackets.length === 0) return [...steps, ...tubesThrough(input), ...ending(input)];
  const turn = weldingTurn(input);
  for (const w of turn)
    steps.push({
      id: `tack.${w.id}`,
      what: `Tack ${w.name}: two short tacks, not opposite each other`,
      why: 'It can still be knocked into place.',
    });
  steps.push(
    {
      id: 'tacked',
      hold: true,
      unread: turn.filter((w) => !w.made).map((w) => w.name),
      what: 'Read every bracket’s distance and angle, and enter it as tacked',
      why: 'What is off is cheap to mend by now, and dear after the weld.',
    },
    {
      id: 'trial',
      hold: true,
      what: `Put the axle under the car at ride height, bare dampers held at ${dampers || 'their length at ride (not read yet)'}`,
      why: 'Springs, links, pinion and driveshaft have to come together without force.',
    },
    {
      id: 'cycle',
      hold: true,
      what: 'Cycle it from full bump to full droop and in roll; look at hoses, exhaust, floor, tyres and driveshaft',
      why: 'What meets anything now is moved before it is welded.',
    },
    {
      id: 'out',
      what: 'Take it out again; mark everything that must stay clear of heat, earth the welder on the part itself',
      why: 'Current through bearings pits them; never weld with the earth on the far side of one.',
    },
    ...tubesThrough(input),
  );
  for (const w of turn)
    steps.push({
      id: `weld.${w.id}`,
      what: `Weld ${w.name}: short runs, then the opposite side while it cools`,
      why: WHY[w.kind] ?? 'What pulls more is welded already; let it cool to the touch before the next.',
    });
  return [
    ...steps,
    {
      id: 'welded',
      hold: true,
      unread: turn.filter((w) => w.made !== 'welded').map((w) => w.name),
      what: 'Read every bracket again, and enter it as welded',
      why: 'From here on it counts where it stands.',
    },
    ...ending(input),
  ];
}
