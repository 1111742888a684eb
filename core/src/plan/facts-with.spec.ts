import { describe, expect, it } from 'vitest';
import { FACTS, quantity, QUANTITIES } from './catalogue';
import { factsWith } from './facts-with';

const ids = (id: string) => factsWith(quantity(id)).map((f) => f.id);

describe('facts beside readings', () => {
  it('asks what stands inboard where its reading is taken', () => {
    expect(ids('room.in.ride.low.right')).toEqual(['room.kind.low.right']);
    expect(ids('room.in.bump.low.right')).toEqual([]);
  });

  it('asks the rest of a heading with its last reading', () => {
    expect(ids('car.wheelHoles')).toEqual([]);
    expect(ids('car.cableReach')).toContain('car.studThread');
    expect(ids('slip.torque')).toEqual(['slip.claim', 'slip.look', 'slip.turn']);
  });

  it('asks every fact exactly once on the way round', () => {
    const asked = QUANTITIES.flatMap((q) => factsWith(q).map((f) => f.id));
    expect([...asked].sort()).toEqual(FACTS.map((f) => f.id).sort());
  });
});
