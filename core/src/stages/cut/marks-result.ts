import type { Sided } from '../../geometry';
import type { Figure, Maybe } from '../../measure';
import type { CutMethod, MarkDatum } from './choices';
import type { SchoolPlan } from './school-stage';

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
