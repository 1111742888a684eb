import { quantity } from '@intervex/core';
import { read } from '../testing/bench';
import { withRepeat } from './with-repeat';

const tube = quantity('survey.tubeOd');
const next = { value: 69.88 };

describe('one repeat more', () => {
  it('goes on with what the reading was taken with', () => {
    const now = { ...read('tape', 70.1), note: 'rusty' };
    expect(withRepeat(now, tube, next)).toEqual({ ...now, repeats: [{ value: 70.1 }, next] });
    expect(withRepeat(read('caliper', 69.86), tube, next, { instrument: 'caliper' }).repeats).toHaveLength(2);
  });

  it('begins with the usual instrument, and names the datum where there is one', () => {
    expect(withRepeat(undefined, tube, next)).toEqual({ repeats: [next], instrument: 'caliper' });
    expect(withRepeat(undefined, quantity('survey.left'), { value: 702.1 }).datum).toBe('car centreline');
  });

  it('begins anew with another instrument: a tape and a caliper have no mean', () => {
    const now = { ...read('tape', 70.1, 70.4), note: 'rusty' };
    expect(withRepeat(now, tube, next, { instrument: 'caliper' })).toEqual({
      repeats: [next],
      instrument: 'caliper',
      note: 'rusty',
    });
  });

  it('begins anew where the gauge was zeroed on something else', () => {
    const perch = quantity('angle.perch.left');
    const now = { ...read('angleGauge', 0.01), zeroedOn: 'angle.flat' };
    const taken = { instrument: 'angleGauge', zeroedOn: 'angle.flat' } as const;
    expect(withRepeat(now, perch, next, taken).repeats).toHaveLength(2);
    expect(withRepeat(now, perch, next, { instrument: 'angleGauge' })).toEqual({
      repeats: [next],
      instrument: 'angleGauge',
      datum: 'level',
    });
  });
});
