import type { Random } from '../numerics';
import type { Plan } from '../plan';
import {
  BRACKET_DATUMS,
  BRACKET_EDGES,
  BRACKET_HOLDS,
  BRACKET_KINDS,
  BRACKET_SIDES,
  BRACKET_TOOLS,
  BRACKET_ZEROS,
  JOINT_MAYS,
  LINK_KINDS,
  REACHES,
  type BoltJoint,
  type Bracket,
  type BracketKit,
  type Link,
} from '../stages/brackets/choices';
import { between, pick, some } from './draws';

/** Parts of the plan that say what stands on the axle. */
export function bracketParts(
  random: Random,
): Pick<Plan, 'brackets' | 'bracketKits' | 'boltJoints' | 'links' | 'weldSteps'> {
  const clock = () => (random() < 0.7 ? { clock: between(random, -6, 6) } : {});
  return {
    brackets: some(random, ['one', 'two', 'three', 'four', 'five'], 0.7, (name): Bracket => {
      const wide = between(random, 5, 500);
      return {
        name: `Bracket ${name}`,
        kind: pick(random, BRACKET_KINDS),
        side: pick(random, BRACKET_SIDES),
        wide,
        round: between(random, 5, 300),
        hold: pick(random, BRACKET_HOLDS),
        edge: pick(random, BRACKET_EDGES),
        ...(random() < 0.7 ? { high: between(random, 0, 200) } : {}),
        ...(random() < 0.5
          ? {
              old: {
                datum: pick(random, BRACKET_DATUMS),
                at: between(random, -100, 600),
                tool: pick(random, BRACKET_TOOLS),
                zero: pick(random, BRACKET_ZEROS),
                ...clock(),
              },
            }
          : {}),
        ...(random() < 0.3 ? { apart: between(random, 60, 1400) } : {}),
        ...(random() < 0.4
          ? { place: { datum: pick(random, BRACKET_DATUMS), at: between(random, -300, 700), ...clock() } }
          : {}),
        ...(random() < 0.3 ? { kit: pick(random, ['kit', 'gone']), inKit: between(random, -300, 300) } : {}),
        ...(random() < 0.3
          ? {
              made: {
                by: pick(random, ['tacked', 'welded'] as const),
                at: between(random, 0, 600),
                ...clock(),
              },
            }
          : {}),
        ...(random() < 0.5 && wide > 20 ? { bolt: between(random, 3, 19), plate: 5, leg: 4 } : {}),
      };
    }),
    bracketKits: some(random, ['kit'], 0.6, (): BracketKit => ({
      name: 'Truss kit',
      side: pick(random, BRACKET_SIDES),
      datum: pick(random, BRACKET_DATUMS),
      at: between(random, -200, 400),
      ...(random() < 0.5 ? { datum2: pick(random, BRACKET_DATUMS), at2: between(random, -200, 400) } : {}),
    })),
    boltJoints: some(random, ['eye'], 0.5, (): BoltJoint => ({
      name: 'Spring eye',
      bolt: between(random, 8, 20),
      hole: between(random, 8, 24),
      may: pick(random, JOINT_MAYS),
    })),
    links: some(random, ['ll', 'lr', 'up'], 0.5, (name): Link => ({
      name: `Link ${name}`,
      kind: pick(random, LINK_KINDS),
      side: pick(random, BRACKET_SIDES),
      eyes: between(random, 80, 900),
      outside: between(random, 20, 60),
      wall: between(random, 1, 9),
      thread: between(random, 8, 24),
      end: 100,
      out: between(random, 30, 100),
      least: between(random, 0, 30),
      reach: pick(random, REACHES),
    })),
    weldSteps: random() < 0.4 ? { level: '2026-11-02' } : {},
  };
}
