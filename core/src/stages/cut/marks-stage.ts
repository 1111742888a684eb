import { END_PIECE } from './saw-quantities';
import { bySide, type Side, type Sided } from '../../geometry';
import { asMade, derive, given, INSTRUMENTS, type Figure } from '../../measure';
import type { SchoolPlan } from './school-stage';
import type { CutMethod, MarkDatum } from './choices';

type Maybe = Figure | undefined;

/** What the marks of one side rest on. */
export interface SideInput {
  readonly half: Maybe;
  readonly casting: Maybe;
  readonly tube: Maybe;
  readonly mark: Maybe;
  readonly endPiece: Maybe;
  /** What one butt of this side pulls, mm. */
  readonly shrink: Maybe;
  /** New tube as it is cut, mm. */
  readonly piece: Maybe;
}

export interface MarksInput {
  readonly plan: SchoolPlan | undefined;
  readonly method: CutMethod;
  readonly datum: MarkDatum;
  readonly kerf: Maybe;
  readonly gap: Maybe;
  readonly insert: Maybe;
  readonly left: SideInput;
  readonly right: SideInput;
  /** Nearest the casting and nearest the housing end a mark may come, mm. */
  readonly fromCasting: number;
  readonly fromHousingEnd: number;
}

/** What one butt of a side pulls: as planned once it is tacked, as learned from other welds before that. */
export const shrinkOf = (planned: Maybe, learned: Maybe, begun: boolean): Maybe =>
  begun ? planned : (learned ?? planned);

/**
 * From where marks are given in truth: the housing end leaves with an end that comes off, so it is no datum for what
 * stays.
 */
export const markDatum = (method: CutMethod, datum: MarkDatum): MarkDatum =>
  method === 'endOff' && datum === 'housingEnd' ? 'casting' : datum;

/** A scribe mark and the side of it on which the blade runs. */
export interface Mark {
  /** From the casting face, mm. */
  readonly fromCasting: Figure;
  /** From the datum the sheet uses, mm; undefined while the datum’s own place is not known. */
  readonly fromDatum: Maybe;
  readonly blade: 'outboard' | 'inboard';
}

/** Everything the bench needs for one side. */
export interface SideMarks {
  readonly spacing: Figure;
  readonly slug: Figure;
  readonly inner: Mark;
  readonly outer: Mark;
  /** Tube that stays on the casting: a length, whatever the marks are given from. */
  readonly left: Figure;
  /** From the weld to the housing-end face, mm. */
  readonly toEnd: Figure;
  /** Casting face to housing end: as donor, wanted, after tacking, after welding. */
  readonly tube: Figure;
  readonly tubeWanted: Figure;
  readonly tubeTacked: Figure;
  readonly tubeWelded: Figure;
  /** Least and most the inner mark may stand from the casting, mm. */
  readonly range: readonly [number, number];
}

export interface MarksResult {
  readonly marks: Sided<SideMarks | undefined>;
  /** Half to expect after welding, with what the saw, gap and weld add to its uncertainty. */
  readonly halfExpected: Sided<Maybe>;
  readonly widthExpected: Maybe;
}

/** Two rule-set marks make the scribed spacing uncertain by √2 of one. Standard uncertainty, mm. */
const SCRIBE_U = (INSTRUMENTS.rule.halfResolution / Math.sqrt(3)) * Math.SQRT2;

/** Shortest end piece that can be held and prepared, mm. */
const [SHORTEST_END_PIECE] = END_PIECE;

/** Scribe marks, slug and lengths to expect, for both sides of the chosen way. */
export function marksStage(input: MarksInput): MarksResult {
  const expected = bySide((side) => expectedHalf(input, side));
  const { left, right } = expected;
  const widthExpected =
    left && right
      ? derive({
          id: 'expect.width',
          label: 'WMS width to expect',
          unit: 'mm',
          formula: '{L} + {R}',
          source: 'Both halves after welding',
          inputs: { L: left, R: right },
        })
      : undefined;
  return { marks: bySide((side) => sideMarks(input, side)), halfExpected: expected, widthExpected };
}

function spacingOf(input: MarksInput, side: Side): Maybe {
  const { plan, gap: g } = input;
  const w = input[side].shrink;
  if (!plan || !g || !w || plan.work[side] !== 'shorten') return undefined;
  return derive({
    id: `spacing.${side}`,
    label: `Between the marks, ${side}`,
    unit: 'mm',
    formula: '{c} + {g} − {w}',
    source: 'Cut, plus the gap the weld fills, less what the weld pulls; both kerfs lie inside',
    inputs: { c: plan.cut[side], g, w },
  });
}

/** The spacing as it will stand on the metal: fixed, and off by no more than the scribing. */
const scribed = (side: Side, spacing: Figure): Figure =>
  asMade(spacing, {
    id: `scribed.${side}`,
    label: `Spacing as scribed, ${side}`,
    u: SCRIBE_U,
    source: 'Two marks set with a steel rule',
  });

function expectedHalf(input: MarksInput, side: Side): Maybe {
  const { half: H, shrink } = input[side];
  if (!H || !input.plan) return undefined;
  const base = { id: `expect.half.${side}`, label: `Half to expect, ${side}`, unit: 'mm' as const };
  if (input.method === 'newTubes') return newTubeHalf(input, base, side);
  const work = input.plan.work[side];
  // Where metal is missing the half is only what is wanted of whatever will make it.
  if (work === 'widen')
    return derive({
      ...base,
      formula: '{H_new}',
      source: 'As wanted: this side gets another tube',
      inputs: { H_new: input.plan.half[side] },
    });
  if (work === 'leave')
    return derive({ ...base, formula: '{H}', source: 'This side stays as it is', inputs: { H } });
  const spacing = spacingOf(input, side);
  if (!spacing || !input.gap || !shrink) return undefined;
  return derive({
    ...base,
    formula: '{H} − {s} + {g} − {w}',
    source: 'Half less the scribed spacing, plus the gap, less what the weld pulls',
    inputs: { H, s: scribed(side, spacing), g: input.gap, w: shrink },
  });
}

/** A new tube takes the place of the donor’s: half, both tubes and the made piece all have their say. */
function newTubeHalf(
  { gap: g, insert: i, ...input }: MarksInput,
  base: Pick<Figure, 'id' | 'label' | 'unit'>,
  side: Side,
): Maybe {
  const { half: H, tube: T, endPiece: e, shrink: w, piece } = input[side];
  if (!H || !T || !e || !w || !g || !i || !piece) return undefined;
  const p = asMade(piece, {
    id: `cutTo.${side}`,
    label: `New tube as cut, ${side}`,
    u: SCRIBE_U,
    source: 'Set with a steel rule',
  });
  return derive({
    ...base,
    formula: '{H} − {T} + {p} − {i} + {e} + {g} − {w}',
    source: 'Half less the donor’s tube, plus the new one: piece less insertion, end piece, gap, less the pull',
    inputs: { H, T, p, i, e, g, w },
  });
}

function sideMarks(input: MarksInput, side: Side): SideMarks | undefined {
  const { tube: T, casting, shrink: w, endPiece } = input[side];
  const spacing = spacingOf(input, side);
  const { gap: g } = input;
  if (!spacing || !T || !input.kerf || !input.plan || !g || !w || input.method === 'newTubes') return undefined;
  if (input.method === 'endOff' && !endPiece) return undefined;
  const slug = derive({
    id: `slug.${side}`,
    label: `Slug that falls out, ${side}`,
    unit: 'mm',
    formula: '{s} − 2·{k}',
    source: 'Spacing less both kerfs',
    inputs: { s: spacing, k: input.kerf },
  });
  const tubeWanted = derive({
    id: `tube.wanted.${side}`,
    label: `Tube wanted, ${side}`,
    unit: 'mm',
    formula: '{T} − {c}',
    source: 'Tube less the cut',
    inputs: { T, c: input.plan.cut[side] },
  });
  const s = scribed(side, spacing);
  const tubeTacked = derive({
    id: `tube.tacked.${side}`,
    label: `Tube after tacking, ${side}`,
    unit: 'mm',
    formula: '{T} − {s} + {g}',
    source: 'Pieces set to the gap, not yet pulled',
    inputs: { T, s, g },
  });
  const tubeWelded = derive({
    id: `tube.welded.${side}`,
    label: `Tube after welding, ${side}`,
    unit: 'mm',
    formula: '{T} − {s} + {g} − {w}',
    source: 'After the weld has pulled',
    inputs: { T, s, g, w },
  });
  const range = markRange(input, spacing.value, T.value);
  const places =
    input.method === 'slug' ? slugPlaces(input, side, spacing, range) : endPlaces(input, side, tubeWanted, T);
  const inner = markAt(input, side, 'inner', places.inner, T, casting);
  const outer = markAt(input, side, 'outer', places.outer, T, casting);
  const left = derive({
    id: `mark.left.${side}`,
    label: `Tube left on the casting, ${side}`,
    unit: 'mm',
    formula: '{x}',
    source: 'From the casting face to the cut that stays',
    inputs: { x: places.inner },
  });
  const toEnd = derive({
    id: `mark.toEnd.${side}`,
    label: `Weld to the housing end, ${side}`,
    unit: 'mm',
    formula: '{T} − {x}',
    source: 'Tube less the outer mark: what lies between the weld and the bearing',
    inputs: { T, x: places.outer },
  });
  return { spacing, slug, inner, outer, left, toEnd, tube: T, tubeWanted, tubeTacked, tubeWelded, range };
}

function markRange(input: MarksInput, spacing: number, tube: number): readonly [number, number] {
  const least = input.fromCasting;
  const keep = input.method === 'endOff' ? SHORTEST_END_PIECE : input.fromHousingEnd;
  return [least, Math.max(least, tube - keep - spacing)];
}

function slugPlaces(input: MarksInput, side: Side, spacing: Figure, [least, most]: readonly [number, number]) {
  const middle = Math.round((least + most) / 2);
  const at =
    input[side].mark ??
    given(`cut.mark.${side}`, `First mark, ${side}`, middle, 0, 'mm', {
      source: 'Assumed: the middle of the free tube; drag it to where you want it',
      assumed: 'the middle of the free tube, no place chosen yet',
    });
  const inner = derive({
    id: `mark.inner.${side}`,
    label: `Inner mark, ${side}`,
    unit: 'mm',
    formula: '{x}',
    source: 'Chosen, from the casting face',
    inputs: { x: at },
  });
  const outer = derive({
    id: `mark.outer.${side}`,
    label: `Outer mark, ${side}`,
    unit: 'mm',
    formula: '{x} + {s}',
    source: 'Inner mark plus the spacing',
    inputs: { x: at, s: spacing },
  });
  return { inner, outer };
}

function endPlaces(input: MarksInput, side: Side, tubeWanted: Figure, T: Figure) {
  const e = input[side].endPiece as Figure;
  const g = input.gap as Figure;
  const w = input[side].shrink as Figure;
  const inner = derive({
    id: `mark.inner.${side}`,
    label: `Inner mark, ${side}`,
    unit: 'mm',
    formula: '{T_new} − {e} − {g} + {w}',
    source: 'New tube less the end piece and the gap, plus what the weld pulls',
    inputs: { T_new: tubeWanted, e, g, w },
  });
  const outer = derive({
    id: `mark.outer.${side}`,
    label: `Outer mark, where the end comes off, ${side}`,
    unit: 'mm',
    formula: '{T} − {e}',
    source: 'Tube less the end piece',
    inputs: { T, e },
  });
  return { inner, outer };
}

function markAt(
  input: MarksInput,
  side: Side,
  which: 'inner' | 'outer',
  at: Figure,
  T: Figure,
  K: Maybe,
): Mark {
  const blade = which === 'inner' ? 'outboard' : 'inboard';
  return {
    fromCasting: at,
    blade,
    fromDatum: fromDatum(markDatum(input.method, input.datum), side, which, at, T, K),
  };
}

function fromDatum(datum: MarkDatum, side: Side, which: string, x: Figure, T: Figure, K: Maybe): Maybe {
  const base = { id: `mark.${which}.datum.${side}`, unit: 'mm' as const };
  const label = `${which === 'inner' ? 'Inner' : 'Outer'} mark, ${side}`;
  if (datum === 'housingEnd')
    return derive({
      ...base,
      label: `${label}, from the housing end`,
      formula: '{T} − {x}',
      source: 'Tube less the place from the casting',
      inputs: { T, x },
    });
  if (datum === 'pinion')
    return (
      K &&
      derive({
        ...base,
        label: `${label}, from the pinion axis`,
        formula: '{K} + {x}',
        source: 'Casting face plus the place from it',
        inputs: { K, x },
      })
    );
  return derive({
    ...base,
    label: `${label}, from the casting`,
    formula: '{x}',
    source: 'From the casting face',
    inputs: { x },
  });
}
