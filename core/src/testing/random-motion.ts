import type { Random } from '../numerics';
import type { Plan } from '../plan';
import {
  ARM_KINDS,
  ARM_SIDES,
  ARM_TOOLS,
  CRANK_HOLDS,
  OBSTACLE_KINDS,
  type Arm,
  type Crank,
  type Obstacle,
} from '../stages/motion/choices';
import { between, pick, some } from './draws';

const whole = (random: Random, most: number): number => 1 + Math.floor(random() * most);

function arm(random: Random, name: string): Arm {
  const kind = pick(random, ARM_KINDS);
  const side = pick(random, ARM_SIDES);
  const y = () => (side === 'pair' ? between(random, 50, 700) : between(random, -700, 700));
  const holes = random() < 0.4;
  return {
    name: `Arm ${name}`,
    kind,
    side,
    tool: pick(random, ARM_TOOLS),
    ...(random() < 0.8
      ? { ax: between(random, -120, 120), ay: y(), az: between(random, 120, 520) }
      : random() < 0.5
        ? { bracket: pick(random, ['one', 'two', 'gone']) }
        : {}),
    cx: between(random, 200, 900),
    cy: y(),
    cz: between(random, -50, 600),
    ...(holes
      ? {
          cHoles: 4,
          cRead: whole(random, 4),
          cUse: whole(random, 4),
          cStepX: 0,
          cStepZ: between(random, 10, 40),
        }
      : {}),
    ...(random() < 0.3 ? { rate: between(random, 20, 90_000) } : {}),
    ...(random() < 0.5
      ? { outside: between(random, 20, 50), wall: between(random, 1, 6), bolt: between(random, 8, 20) }
      : {}),
  };
}

function crank(random: Random): Crank {
  const z = between(random, 250, 400);
  return {
    name: 'Crank',
    on: pick(random, CRANK_HOLDS),
    px: between(random, -150, 100),
    py: between(random, -20, 20),
    pz: z,
    topY: between(random, -9, 9),
    topZ: z + between(random, 30, 90),
    lowY: between(random, -9, 9),
    lowZ: z - between(random, 30, 90),
    topEndY: between(random, 300, 520),
    topEndZ: z + between(random, 20, 90),
    lowEndY: -between(random, 300, 520),
    lowEndZ: z - between(random, 20, 90),
  };
}

function obstacle(random: Random, name: string): Obstacle {
  const place = () => ({
    x: between(random, -600, 900),
    y: between(random, -700, 700),
    z: between(random, 100, 900),
  });
  const [{ x: x2, y: y2, z: z2 }, kind] = [place(), pick(random, OBSTACLE_KINDS)];
  return {
    name: `Thing ${name}`,
    kind,
    ...place(),
    ...(kind === 'point' ? {} : { x2, y2, z2 }),
    ...(random() < 0.3 ? { clear: between(random, 0, 60) } : {}),
  };
}

/** Parts of the plan that say how the axle is held and what is in its way: most make no suspension. */
export const motionParts = (random: Random): Pick<Plan, 'arms' | 'cranks' | 'obstacles'> => ({
  arms: some(random, ['a', 'b', 'c', 'd', 'e', 'f'], 0.7, (name) => arm(random, name)),
  cranks: random() < 0.3 ? { crank: crank(random) } : {},
  obstacles: some(random, ['tank', 'pipe'], 0.4, (name) => obstacle(random, name)),
});
