import { describe, expect, it } from 'vitest';
import type { Reading } from '../../measure';
import type { Received } from './received';
import { receivedNotHeld, withReceived } from './with-received';

const size = (side: 'left' | 'right', measured: number, what: 'length' | 'journal' = 'length') => ({
  ...{ side, what, ordered: 684.5, measured, off: measured - 684.5, limit: 0.5, ok: true, todo: '' },
});
const received: Received = {
  ok: true,
  sizes: [size('left', 684.4), size('right', 684.7), size('right', 35.01, 'journal')],
};
const read = (...values: number[]): Reading => ({
  repeats: values.map((value) => ({ value })),
  instrument: 'rule',
});

describe('shafts that were taken and the plan', () => {
  it('hold the same right after they were taken', () => {
    const plan = withReceived({ readings: {}, accepted: {} }, received, {
      who: 'Birk',
      at: '2027-04-01T08:00:00Z',
    });
    expect(receivedNotHeld(plan, received)).toEqual([]);
  });

  it('differ where the plan holds none, or another length, by side', () => {
    expect(receivedNotHeld({ readings: { 'shaft.received.right': read(684.2, 684.9) } }, received)).toEqual([
      { side: 'left', measured: 684.4 },
      { side: 'right', measured: 684.7, stands: 684.9 },
    ]);
  });

  it('agree where it was read again beside what was measured on arrival', () => {
    const readings = { 'shaft.received.left': read(684.4, 684.6), 'shaft.received.right': read(684.7) };
    expect(receivedNotHeld({ readings }, received)).toEqual([]);
  });
});
