import { SIDES, type Side } from '../../geometry';
import { field, items, name, number, object, oneOf, type Broken } from '../../stage';

/** How the two new halves are chosen. */
export const SCHOOLS = ['evenUp', 'keepOffset', 'driveline', 'shortShaft', 'stockShafts'] as const;
export type School = (typeof SCHOOLS)[number];

/** How the tube is shortened: a slug out of its length, the end off and on again, or a new tube into the casting. */
export const CUT_METHODS = ['slug', 'endOff', 'newTubes'] as const;
export type CutMethod = (typeof CUT_METHODS)[number];

/** From where scribe marks are given. */
export type MarkDatum = 'casting' | 'housingEnd' | 'pinion';
export const MARK_DATUMS: readonly MarkDatum[] = ['casting', 'housingEnd', 'pinion'];

/** Something welded or bolted to a tube that a cut must stay clear of. Lengths mm. */
export interface TubeItem {
  readonly side: Side;
  readonly name: string;
  /** Where it begins and ends, from the casting face, welds included. */
  readonly from: number;
  readonly to: number;
}

/** It must not end before it begins. */
const inOrder = ({ from, to }: TubeItem): Broken | undefined =>
  to >= from ? undefined : { field: 'to', wrong: 'must not end before it begins', right: `at least ${from}` };

const TUBE_ITEM = object<TubeItem>(
  { side: oneOf<Side>(SIDES), name: name(60), from: number(0, 1500), to: number(0, 1500) },
  [],
  inOrder,
);

/** Its place in the plan. */
export const CUT_SECTION = {
  choices: {
    school: field<School>(oneOf(SCHOOLS), 'evenUp', { since: 1, called: () => 'Way to the width' }),
    method: field<CutMethod>(oneOf(CUT_METHODS), 'slug', { since: 1, called: () => 'Method of cutting' }),
    datum: field<MarkDatum>(oneOf(MARK_DATUMS), 'casting', { since: 1, called: () => 'Marks measured from' }),
  },
  parts: {
    tubeItems: field(
      items(TUBE_ITEM, 40),
      {},
      { bench: true, since: 5, belongs: 'axle', called: (key) => `On the tube: ${key}` },
    ),
  },
};
