import { donorPlan, read } from '../testing/bench';
import { changedPlaces, placesText } from './changed-places';

describe('what differs between two states of a plan', () => {
  it('names readings, facts and choices, not what is the same in other words', () => {
    const before = donorPlan({ 'cut.kerf': read('caliper', 1.6) });
    const after = {
      ...before,
      readings: {
        ...before.readings,
        'cut.kerf': read('caliper', 1.7),
        'donor.tube.left': { ...before.readings['donor.tube.left'] },
      },
      facts: { 'donor.cable': { value: 'lever', evidence: 'seen' as const } },
    } as typeof before;
    expect(changedPlaces(before, after)).toEqual(['cut.kerf', 'fact.donor.cable']);
    expect(changedPlaces(after, after)).toEqual([]);
    expect(placesText(['cut.kerf', 'fact.donor.cable'])).toBe('blade kerf and 1 more');
  });
});
