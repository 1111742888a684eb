import { EMPTY_PLAN, type Plan, type Reading } from '@intervex/core';
import { UnderHand } from './under-hand';

const TUBE = 'survey.tubeOd';
const read = (...values: number[]): Reading => ({
  repeats: values.map((value) => ({ value })),
  instrument: 'caliper',
});
const withTube = (reading: Reading | undefined): Plan => ({
  ...EMPTY_PLAN,
  readings: reading ? { [TUBE]: reading } : {},
});

/** What is asked when another page made `now` of `before` a moment ago, and `mine` is entered here. */
function asked(before: Reading | undefined, now: Reading | undefined, mine: Reading | undefined) {
  const hand = new UnderHand();
  const [common, theirs] = [withTube(before), withTube(now)];
  hand.meets(common, common, theirs, { plan: theirs, conflicts: [] });
  return hand.enters(theirs, 'readings', TUBE, mine);
}

describe('an entry in a field that another page changed a moment ago', () => {
  it.each([
    [
      'one of one’s own repeats is taken out',
      read(69.86, 70.21),
      read(69.86, 70.21, 69.89),
      read(69.86, 69.89),
    ],
    ['a repeat is put to theirs', read(69.86), read(69.86, 69.9), read(69.86, 69.9, 69.88)],
    ['the same is entered', read(69.86), read(69.9), read(69.9)],
    ['one’s own repeat is set right', read(69.86), read(69.86, 69.9), read(69.87, 69.9)],
  ])('is not asked about where %s', (_what, before, now, mine) => {
    expect(asked(before, now, mine)).toBeUndefined();
  });

  it.each([
    ['theirs is typed over', read(69.86), read(69.9), read(69.7)],
    ['their repeat is taken out', read(69.86), read(69.86, 69.9), read(69.86)],
    ['a repeat that they took out comes back', read(69.86, 70.21), read(69.86), read(69.86, 70.21)],
    ['their first reading is taken out', undefined, read(69.9), undefined],
    [
      'their instrument is not kept',
      read(69.86),
      { ...read(69.86), instrument: 'tape' as const },
      read(69.86, 69.9),
    ],
  ])('is asked about where %s', (_what, before, now, mine) => {
    expect(asked(before, now, mine)).toEqual({
      ...{ section: 'readings', key: TUBE, base: before, mine, theirs: now },
    });
  });

  it('leaves an object’s other lines alone', () => {
    const hand = new UnderHand();
    const of = (change: object): Plan =>
      ({ ...EMPTY_PLAN, joints: { a: { kind: 'fit', place: 'left', ...change } } }) as unknown as Plan;
    const theirs = of({ place: 'right' });
    hand.meets(of({}), of({}), theirs, { plan: theirs, conflicts: [] });
    const mine = { kind: 'slip', place: 'right' };
    expect(hand.enters(theirs, 'joints', 'a', mine)).toBeUndefined();
  });
});
