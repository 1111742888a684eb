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

interface WeldOrderInput {
  readonly brackets: readonly Welded[];
  /** Tubes that are joined to the casting anew, or shortened and butted. */
  readonly newTubes: boolean;
  readonly cut: boolean;
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
  truss: 'It pulls the housing most of all, so the ends come after it; short runs, opposite sides in turn.',
  brace: 'Its welds pull the tube: before the ends, opposite sides in turn.',
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

/**
 * Steps from a bare housing to a straight one with all its brackets, with its hold points.
 *
 * @example weldOrder({ brackets: [truss, perchLeft, perchRight], … }) // … tack, trial in the car, truss, perches, ends
 */
export function weldOrder(input: WeldOrderInput): readonly WeldStep[] {
  const { brackets, newTubes, cut, dampers } = input;
  const steps: WeldStep[] = [
    {
      id: 'level',
      what: 'Lay the housing on its stands, zero the gauge on the casting’s flat, bar through the bearings’ seats',
      why: 'Every place and angle is against these. Seals, bearings and shafts are out: heat spoils them.',
    },
  ];
  if (newTubes)
    steps.push({
      id: 'tubes',
      what: 'Weld the tubes to the casting: short runs, opposite sides in turn, let it cool between',
      why: 'What is nearest the middle pulls the whole tube: it comes before all else.',
    });
  if (cut)
    steps.push({
      id: 'butts',
      what: 'Weld the butts of the shortened tubes, quarters opposite each other in turn',
      why: 'They set the width; the bar has to turn freely after each quarter.',
    });
  if (brackets.length === 0) return [...steps, ...ending()];
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
    ...ending(),
  ];
}

const ending = (): readonly WeldStep[] => [
  {
    id: 'ends',
    what: 'Weld the housing ends last, with the bar through both: it has to turn and slide freely',
    why: 'All that pulls the tubes is done; whatever comes after this bends them again.',
  },
  {
    id: 'straight',
    hold: true,
    what: 'Read the straightness of both ends again, cold',
    why: 'A bent housing wears bearings and tyres and breaks shafts.',
  },
];
