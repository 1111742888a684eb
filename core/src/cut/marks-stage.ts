import { bySide, type Side, type Sided } from '../geometry';
import { derive, given, INSTRUMENTS, type Figure } from '../measure';
import { quantity, type CutMethod, type MarkDatum } from '../plan';
import type { SchoolPlan } from './school-stage';
import { looseSlug, scribeSpacing, tubeLeft } from './scribe';

type Maybe = Figure | undefined;

/** What the marks of one side rest on. */
export interface SideInput {
  readonly half: Maybe;
  readonly casting: Maybe;
  readonly tube: Maybe;
  readonly mark: Maybe;
  readonly endPiece: Maybe;
}

export interface MarksInput {
  readonly plan: SchoolPlan | undefined;
  readonly method: CutMethod;
  readonly datum: MarkDatum;
  readonly kerf: Maybe;
  readonly gap: Maybe;
  readonly shrink: Maybe;
  readonly left: SideInput;
  readonly right: SideInput;
  /** Nearest the casting and nearest the housing end a mark may come, mm. */
  readonly fromCasting: number;
  readonly fromHousingEnd: number;
}

/** A scribe mark and the side of it on which the blade runs. */
export interface Mark {
  /** From the casting face, mm. */
  readonly fromCasting: Figure;
  /** From the datum the sheet uses, mm. */
  readonly fromDatum: Figure;
  readonly blade: 'outboard' | 'inboard';
}

/** Everything the bench needs for one side. */
export interface SideMarks {
  readonly spacing: Figure;
  readonly slug: Figure;
  readonly inner: Mark;
  readonly outer: Mark;
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
const SHORTEST_END_PIECE = quantity('cut.endPiece.left').min;

/** Scribe marks, slug and lengths to expect, for both sides of the chosen way. */
export function marksStage(input: MarksInput): MarksResult {
  const expected = bySide((side) => expectedHalf(input, side));
  const { left, right } = expected;
  const widthExpected =
    left && right
      ? derive(
          {
            id: 'expect.width',
            label: 'WMS width to expect',
            unit: 'mm',
            formula: '{L} + {R}',
            source: 'Both halves after welding',
            inputs: { L: left, R: right },
          },
          (v) => v.L + v.R,
        )
      : undefined;
  return { marks: bySide((side) => sideMarks(input, side)), halfExpected: expected, widthExpected };
}

function spacingOf({ plan, gap: g, shrink: w }: MarksInput, side: Side): Maybe {
  if (!plan || !g || !w || plan.work[side] !== 'shorten') return undefined;
  return derive(
    {
      id: `spacing.${side}`,
      label: `Between the marks, ${side}`,
      unit: 'mm',
      formula: '{c} + {g} − {w}',
      source: 'Cut, plus the gap the weld fills, less what the weld pulls; both kerfs lie inside',
      inputs: { c: plan.cut[side], g, w },
    },
    (v) => scribeSpacing({ cut: v.c, gap: v.g, shrink: v.w }),
  );
}

/** The spacing as it will stand on the metal: fixed, and off by no more than the scribing. */
const scribed = (side: Side, spacing: Figure): Figure =>
  given(
    `scribed.${side}`,
    `Spacing as scribed, ${side}`,
    spacing.value,
    SCRIBE_U,
    'mm',
    'Two marks set with a steel rule',
  );

function expectedHalf(input: MarksInput, side: Side): Maybe {
  const H = input[side].half;
  const spacing = spacingOf(input, side);
  if (!H || !input.plan) return undefined;
  if (input.method === 'newTubes') return newTubeHalf(input, input.plan, side);
  if (input.plan.work[side] === 'widen') return undefined;
  const base = { id: `expect.half.${side}`, label: `Half to expect, ${side}`, unit: 'mm' as const };
  if (!spacing)
    return derive({ ...base, formula: '{H}', source: 'This side stays as it is', inputs: { H } }, (v) => v.H);
  return derive(
    {
      ...base,
      formula: '{H} − {s} + {g} − {w}',
      source: 'Half less the scribed spacing, plus the gap, less what the weld pulls',
      inputs: { H, s: scribed(side, spacing), g: input.gap as Figure, w: input.shrink as Figure },
    },
    (v) => v.H - v.s + v.g - v.w,
  );
}

/** A new tube is cut to its side’s half, whether the donor’s was longer or shorter. */
function newTubeHalf({ shrink: w }: MarksInput, plan: SchoolPlan, side: Side): Maybe {
  if (!w) return undefined;
  const δ = given(
    `cutTo.${side}`,
    `Tube as cut and pressed, ${side}`,
    0,
    SCRIBE_U,
    'mm',
    'Set with a steel rule',
  );
  return derive(
    {
      id: `expect.half.${side}`,
      label: `Half to expect, ${side}`,
      unit: 'mm',
      formula: `{H_new} + {δ} + ${w.value.toFixed(1)} − {w}`,
      source: 'The new tube is cut for it; off by the rule, and by what the weld pulls otherwise than reckoned',
      inputs: { H_new: plan.half[side], δ, w },
    },
    (v) => v.H_new + v.δ + w.value - v.w,
  );
}

function sideMarks(input: MarksInput, side: Side): SideMarks | undefined {
  const { tube: T, casting } = input[side];
  const spacing = spacingOf(input, side);
  if (!spacing || !T || !input.kerf || !input.plan || input.method === 'newTubes') return undefined;
  const g = input.gap as Figure;
  const w = input.shrink as Figure;
  const slug = derive(
    {
      id: `slug.${side}`,
      label: `Slug that falls out, ${side}`,
      unit: 'mm',
      formula: '{s} − 2·{k}',
      source: 'Spacing less both kerfs',
      inputs: { s: spacing, k: input.kerf },
    },
    (v) => looseSlug(v.s, v.k),
  );
  const tubeWanted = derive(
    {
      id: `tube.wanted.${side}`,
      label: `Tube wanted, ${side}`,
      unit: 'mm',
      formula: '{T} − {c}',
      source: 'Tube less the cut',
      inputs: { T, c: input.plan.cut[side] },
    },
    (v) => v.T - v.c,
  );
  const s = scribed(side, spacing);
  const tubeTacked = derive(
    {
      id: `tube.tacked.${side}`,
      label: `Tube after tacking, ${side}`,
      unit: 'mm',
      formula: '{T} − {s} + {g}',
      source: 'Pieces set to the gap, not yet pulled',
      inputs: { T, s, g },
    },
    (v) => v.T - v.s + v.g,
  );
  const tubeWelded = derive(
    {
      id: `tube.welded.${side}`,
      label: `Tube after welding, ${side}`,
      unit: 'mm',
      formula: '{T} − {s} + {g} − {w}',
      source: 'After the weld has pulled',
      inputs: { T, s, g, w },
    },
    (v) => v.T - v.s + v.g - v.w,
  );
  const range = markRange(input, spacing.value, T.value);
  const places =
    input.method === 'slug' ? slugPlaces(input, side, spacing, range) : endPlaces(input, side, tubeWanted, T);
  const inner = markAt(input, side, 'inner', places.inner, T, casting);
  const outer = markAt(input, side, 'outer', places.outer, T, casting);
  return { spacing, slug, inner, outer, tube: T, tubeWanted, tubeTacked, tubeWelded, range };
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
    given(
      `cut.mark.${side}`,
      `First mark, ${side}`,
      middle,
      0,
      'mm',
      'Middle of the free tube; drag it to where you want it',
    );
  const inner = derive(
    {
      id: `mark.inner.${side}`,
      label: `Inner mark, ${side}`,
      unit: 'mm',
      formula: '{x}',
      source: 'Chosen, from the casting face',
      inputs: { x: at },
    },
    (v) => v.x,
  );
  const outer = derive(
    {
      id: `mark.outer.${side}`,
      label: `Outer mark, ${side}`,
      unit: 'mm',
      formula: '{x} + {s}',
      source: 'Inner mark plus the spacing',
      inputs: { x: at, s: spacing },
    },
    (v) => v.x + v.s,
  );
  return { inner, outer };
}

function endPlaces(input: MarksInput, side: Side, tubeWanted: Figure, T: Figure) {
  const e = input[side].endPiece as Figure;
  const g = input.gap as Figure;
  const w = input.shrink as Figure;
  const inner = derive(
    {
      id: `mark.inner.${side}`,
      label: `Tube left on the casting, ${side}`,
      unit: 'mm',
      formula: '{T_new} − {e} − {g} + {w}',
      source: 'New tube less the end piece and the gap, plus what the weld pulls',
      inputs: { T_new: tubeWanted, e, g, w },
    },
    (v) => tubeLeft({ tubeNew: v.T_new, endPiece: v.e, gap: v.g, shrink: v.w }),
  );
  const outer = derive(
    {
      id: `mark.outer.${side}`,
      label: `End comes off at, ${side}`,
      unit: 'mm',
      formula: '{T} − {e}',
      source: 'Tube less the end piece',
      inputs: { T, e },
    },
    (v) => v.T - v.e,
  );
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
  return { fromCasting: at, blade, fromDatum: fromDatum(input.datum, side, which, at, T, K) };
}

function fromDatum(datum: MarkDatum, side: Side, which: string, x: Figure, T: Figure, K: Maybe): Figure {
  const base = { id: `mark.${which}.datum.${side}`, unit: 'mm' as const };
  const label = `${which === 'inner' ? 'Inner' : 'Outer'} mark, ${side}`;
  if (datum === 'housingEnd')
    return derive(
      {
        ...base,
        label: `${label}, from the housing end`,
        formula: '{T} − {x}',
        source: 'Tube less the place from the casting',
        inputs: { T, x },
      },
      (v) => v.T - v.x,
    );
  if (datum === 'pinion' && K)
    return derive(
      {
        ...base,
        label: `${label}, from the pinion axis`,
        formula: '{K} + {x}',
        source: 'Casting face plus the place from it',
        inputs: { K, x },
      },
      (v) => v.K + v.x,
    );
  return derive(
    {
      ...base,
      label: `${label}, from the casting`,
      formula: '{x}',
      source: 'From the casting face',
      inputs: { x },
    },
    (v) => v.x,
  );
}
