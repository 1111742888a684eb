import { EMPTY_PLAN, type Plan } from '@intervex/core';
import {
  baseOnceArrived,
  bothOf,
  keepParts,
  mergePlans,
  same,
  withField,
  withSide,
  type PlanConflict,
} from './merge-plans';

const half = (value: number) => ({ repeats: [{ value }], instrument: 'tape' as const });
const base: Plan = {
  ...EMPTY_PLAN,
  readings: { 'donor.half.left': half(792.3), 'donor.half.right': half(741.1) },
};

describe('mergePlans', () => {
  it('takes what only one side changed, from both sides', () => {
    const mine = withField(base, 'readings', 'donor.half.left', half(790.9));
    const theirs = withField(base, 'choices', 'school', 'keepOffset');
    const { plan, conflicts } = mergePlans(base, mine, theirs);
    expect(conflicts).toEqual([]);
    expect(plan.choices.school).toBe('keepOffset');
    expect(plan.readings['donor.half.left']).toEqual(half(790.9));
    expect(plan.readings['donor.half.right']).toEqual(half(741.1));
  });

  it('asks where both changed one field differently, and holds theirs meanwhile', () => {
    const mine = withField(base, 'readings', 'donor.half.left', half(790.9));
    const theirs = withField(base, 'readings', 'donor.half.left', half(793.7));
    const { plan, conflicts } = mergePlans(base, mine, theirs);
    expect(conflicts).toEqual([
      {
        section: 'readings',
        key: 'donor.half.left',
        base: half(792.3),
        mine: half(790.9),
        theirs: half(793.7),
      },
    ]);
    expect(plan.readings['donor.half.left']).toEqual(half(793.7));
  });

  it('asks nobody about what was sent from here and arrived unanswered, whatever others did on top of it', () => {
    const sent = withField(
      withField(base, 'readings', 'donor.half.left', half(790.9)),
      'readings',
      'donor.half.right',
      undefined,
    );
    const mine = withField(sent, 'readings', 'donor.half.left', half(790.95));
    const theirs = withField(sent, 'choices', 'school', 'keepOffset');
    expect(mergePlans(base, mine, theirs).conflicts).toHaveLength(1);
    const { plan, conflicts } = mergePlans(baseOnceArrived(base, sent, theirs), mine, theirs);
    expect(conflicts).toEqual([]);
    expect(plan).toEqual(withField(mine, 'choices', 'school', 'keepOffset'));
    // What somebody else wrote over it is asked about all the same.
    const over = withField(theirs, 'readings', 'donor.half.left', half(793.7));
    expect(mergePlans(baseOnceArrived(base, sent, over), mine, over).conflicts).toEqual([
      {
        section: 'readings',
        key: 'donor.half.left',
        base: half(792.3),
        mine: half(790.95),
        theirs: half(793.7),
      },
    ]);
  });

  it('merges facts, joints and photos one by one', () => {
    const mine = withField(
      withField(base, 'facts', 'slip.look', { value: 'plain', evidence: 'seen' }),
      'joints',
      'hose',
      { cost: 12 },
    );
    const theirs = withField(
      withField(base, 'facts', 'cond.gears', { value: 'good', evidence: 'seen' }),
      'joints',
      'hose',
      { cost: 14 },
    );
    const { plan, conflicts } = mergePlans(base, mine, theirs);
    expect(Object.keys(plan.facts).sort()).toEqual(['cond.gears', 'slip.look']);
    expect(conflicts).toEqual([{ section: 'joints', key: 'hose', mine: { cost: 12 }, theirs: { cost: 14 } }]);
  });

  it('is no conflict where both did the same', () => {
    const both = withField(base, 'brief', 'vehicle', 'Hollin Tern');
    expect(mergePlans(base, both, both)).toEqual({ plan: both, conflicts: [] });
  });

  it('carries a removal, and asks where the other side changed what was removed', () => {
    const removed = withField(base, 'readings', 'donor.half.right', undefined);
    expect(mergePlans(base, removed, base).plan.readings).not.toHaveProperty(['donor.half.right']);
    const changed = withField(base, 'readings', 'donor.half.right', half(744.4));
    expect(mergePlans(base, removed, changed).conflicts).toEqual([
      {
        section: 'readings',
        key: 'donor.half.right',
        base: half(741.1),
        mine: undefined,
        theirs: half(744.4),
      },
    ]);
  });
});

describe('readings of two pages', () => {
  const taken = (...values: number[]) => ({
    repeats: values.map((value) => ({ value })),
    instrument: 'tape' as const,
  });
  const left = (reading: unknown) => withField(base, 'readings', 'donor.half.left', reading);

  it('both stay where both put a repeat to what was there', () => {
    const { plan, conflicts } = mergePlans(base, left(taken(792.3, 792.8)), left(taken(792.3, 791.9)));
    expect(conflicts).toEqual([]);
    expect(plan.readings['donor.half.left']).toEqual(taken(792.3, 791.9, 792.8));
  });

  it('are asked about where one began anew, or with another instrument', () => {
    const anew = mergePlans(base, left(taken(790.2)), left(taken(792.3, 791.9))).conflicts;
    expect(anew).toHaveLength(1);
    expect(bothOf(anew[0] as PlanConflict)).toEqual(taken(792.3, 791.9, 790.2));
    const calipers = { ...taken(792.3, 792.36), instrument: 'caliper' as const };
    const [other] = mergePlans(base, left(calipers), left(taken(792.3, 791.9))).conflicts;
    expect(bothOf(other as PlanConflict)).toBeUndefined();
  });

  it('can be put back to what stood before, or to mine, for whoever takes the work up', () => {
    const [mine, theirs] = [left(taken(790.2)), left(taken(788.8))];
    const { plan, conflicts } = mergePlans(base, mine, theirs);
    const [b, m] = [withSide(theirs, conflicts, 'base'), withSide(plan, conflicts, 'mine')];
    expect(b).toEqual(base);
    expect(mergePlans(b, m, theirs).conflicts).toEqual(conflicts);
  });
});

describe('same', () => {
  it('compares data whatever the order of keys, and tells lists from objects', () => {
    expect(same({ a: 1, b: [2, 3] }, { b: [2, 3], a: 1 })).toBe(true);
    expect(same({ a: 1 }, { a: 1, b: undefined })).toBe(true);
    expect(same([2, 3], [3, 2])).toBe(false);
    expect(same([], {})).toBe(false);
    expect(same(null, {})).toBe(false);
  });
});

describe('keepParts', () => {
  const copy = (plan: Plan): Plan => JSON.parse(JSON.stringify(plan)) as Plan;

  it('keeps every object that says the same, and takes what is new, changed or gone', () => {
    const next = copy(withField(base, 'readings', 'donor.half.left', half(790.9)));
    const kept = keepParts(base, next);
    expect(kept).toEqual(next);
    expect(kept.readings['donor.half.right']).toBe(base.readings['donor.half.right']);
    expect(kept.readings['donor.half.left']).toEqual(half(790.9));
    expect(kept.brief).toBe(base.brief);
    const fewer = copy(withField(base, 'readings', 'donor.half.right', undefined));
    expect(keepParts(base, fewer)).toEqual(fewer);
    const more = copy(withField(base, 'facts', 'slip.look', { value: 'plain', evidence: 'seen' }));
    expect(keepParts(base, more)).toEqual(more);
    expect(keepParts(base, more).readings).toBe(base.readings);
  });
});
