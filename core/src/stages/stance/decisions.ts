import { SIDES } from '../../geometry';
import type { DecisionDef } from '../../stage';
import { stance } from './figures/stance';
import { node } from './node';

export const stanceDecision: DecisionDef = {
  id: 'stance',
  label: 'What the wheels clear',
  needs: node('stanceNeeds', (r) => {
    const { lacks } = r.of(stance);
    return SIDES.flatMap((side) => [...lacks[side].inboard, ...lacks[side].outboard]);
  }),
  rests: node('stanceRests', (r) => r.of(stance).clearances.map((c) => c.gap)),
};
