import { END_PIECE } from './saw-quantities';
import { bySide, type Side } from '../../geometry';
import { asMade, derive, INSTRUMENTS, type Figure, type Maybe } from '../../measure';
import { type MarksInput, type SideMarks, type MarksResult } from './marks-result';
import { slugPlaces, endPlaces, markAt } from './mark-places';

/** What one butt of a side pulls: as planned once it is tacked, as learned from other welds before that. */
export const shrinkOf = (planned: Maybe, learned: Maybe, begun: boolean): Maybe =>
  begun ? planned : (learned ?? planned);

/** Two rule-set marks make the scribed spacing uncertain by √2 of one. Standard uncertainty, mm. */
const SCRIBE_U = (INSTRUMENTS.rule.halfResolution / Math.sqrt(3)) * Math.SQRT2;

/** Shortest end piece that can be held and prepared, mm. */
export const [SHORTEST_END_PIECE] = END_PIECE;

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
      formula: '{H_new}',
      source: 'As wanted: this side gets another tube',
      inputs: { H_new: input.plan.half[side] },
      ...base,
    });
  if (work === 'leave')
    return derive({ formula: '{H}', source: 'This side stays as it is', inputs: { H }, ...base });
  const spacing = spacingOf(input, side);
  if (!spacing || !input.gap || !shrink) return undefined;
  return derive({
    formula: '{H} − {s} + {g} − {w}',
    source: 'Half less the scribed spacing, plus the gap, less what the weld pulls',
    inputs: { H, s: scribed(side, spacing), g: input.gap, w: shrink },
    ...base,
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
    formula: '{H} − {T} + {p} − {i} + {e} + {g} − {w}',
    source: 'Half less the donor’s tube, plus the new one: piece less insertion, end piece, gap, less the pull',
    inputs: { H, T, p, i, e, g, w },
    ...base,
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
