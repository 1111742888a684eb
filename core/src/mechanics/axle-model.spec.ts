import { describe, expect, it } from 'vitest';
import fc from 'fast-check';
import { axlePose, axleRates, carried, turnedBy, type Point3, type SolidAxle } from './solid-axle';
import { spread } from '../testing/spread';

const mirrored = ([x, y, z]: Point3): Point3 => [x, -y, z];
const pair = (axle: Point3, chassis: Point3) => [
  { axle, chassis },
  { axle: mirrored(axle), chassis: mirrored(chassis) },
];
const far = (a: Point3, b: Point3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2]);
const LINKS = [...pair([-14, 476, 258], [518, 466, 281]), ...pair([-35, 418, 472], [292, 408, 436])];
const pose = fc.record({
  z: spread(-80, 80),
  roll: spread(-0.04, 0.04),
});

/** A crank of unlike arms, off the middle. */
const ON_AXLE: SolidAxle = {
  axleCentre: [0, 0, 305],
  links: LINKS,
  watt: {
    pivot: [-90, 4, 309],
    arm: [
      [-90, 11, 371],
      [-90, -6, 243],
    ],
    chassis: [
      [-94, 421, 380],
      [-88, -398, 237],
    ],
  },
};
const ON_CAR: SolidAxle = {
  ...ON_AXLE,
  watt: { ...(ON_AXLE.watt as object), on: 'car' } as SolidAxle['watt'],
} as SolidAxle;

describe('a crank with two bars', () => {
  it.each([
    ['on the axle', ON_AXLE],
    ['on the car', ON_CAR],
  ] as const)('%s keeps both bars’ lengths, by places worked out without it', (_, axle) => {
    fc.assert(
      fc.property(pose, (asked) => {
        const at = axlePose(axle, asked);
        const { watt } = axle;
        if (!watt) throw new Error('no crank');
        const [s, c] = [Math.sin(at.crank ?? 0), Math.cos(at.crank ?? 0)];
        const eye = (p: Point3): Point3 => {
          const [dy, dz] = [p[1] - watt.pivot[1], p[2] - watt.pivot[2]];
          return [p[0], watt.pivot[1] + c * dy - s * dz, watt.pivot[2] + s * dy + c * dz];
        };
        [0, 1].forEach((i) => {
          const [a, b] = [watt.arm[i as 0], watt.chassis[i as 0]];
          const now =
            watt.on === 'car'
              ? far(eye(a), carried(axle, asked, at, b))
              : far(carried(axle, asked, at, eye(a)), b);
          expect(now - far(a, b)).toBeCloseTo(at.errors[4 + i] ?? Number.NaN, 6);
        });
        expect(at.status === 'exact' || at.status === 'bind').toBe(true);
      }),
    );
  });

  it('keeps its pivot nearer the middle than a bar of the same reach', () => {
    for (const z of [-70, 60]) {
      const at = axlePose(ON_AXLE, { z, roll: 0 });
      const [, y] = carried(ON_AXLE, { z, roll: 0 }, at, [-90, 4, 309]);
      // A bar of 410 would take it aside by z²/(2·410).
      expect(Math.abs(y - 4)).toBeLessThan(z ** 2 / (2 * 410) / 2);
    }
  });
});

describe('one axle after another', () => {
  it('moves as it does alone: nothing is left of a crank in the rows of another’s links', () => {
    // Two links more: a crank’s rows of the one are links of the other.
    const more: SolidAxle = { ...ON_AXLE, links: [...LINKS, ...pair([20, 300, 305], [480, 296, 310])] };
    const asked = { z: 31, roll: 0.02 };
    const alone = axlePose(more, asked);
    axlePose(ON_AXLE, { z: -60, roll: -0.03 });
    expect(axlePose({ ...more }, asked)).toEqual(alone);
    axlePose(ON_CAR, { z: 44, roll: 0.01 });
    expect(axlePose({ ...more }, asked).iterations).toBe(alone.iterations);
  });
});

describe('springs that turn the axle', () => {
  it('turn it by so much for a mm of rise, and nothing else holds that', () => {
    const leaf: SolidAxle = {
      axleCentre: [0, 0, 300],
      links: pair([0, 505, 300], [420, 505, 290]),
      pins: [{ axle: [0, 0, 300], chassis: [0, 0, 300], directions: ['y'] }],
      pitch: { perRise: 0.00037 },
    };
    for (const z of [-60, 45]) {
      const at = axlePose(leaf, { z, roll: 0 });
      expect(at.pitch).toBeCloseTo(0.00037 * z, 9);
      expect(at.status).toBe('exact');
    }
    expect(axlePose({ ...leaf, pins: [] }, { z: 10, roll: 0 }).status).toBe('loose');
  });
});

describe('small motions', () => {
  it('have as rates what larger ones have as chords, to their curvature', () => {
    const rates = axleRates(ON_AXLE, 'z');
    const chord = (h: number) => {
      const [a, b] = [axlePose(ON_AXLE, { z: h, roll: 0 }), axlePose(ON_AXLE, { z: -h, roll: 0 })];
      return (a.pitch - b.pitch) / (2 * h);
    };
    const [one, two] = [chord(4), chord(8)];
    // Twice the chord is off by four times as much: taken to nothing, both give the rate.
    expect((4 * one - two) / 3).toBeCloseTo(rates?.pitch ?? Number.NaN, 9);
  });

  it('turn a direction as they turn its ends', () => {
    fc.assert(
      fc.property(pose, (asked) => {
        const at = axlePose(ON_AXLE, asked);
        const [p, q]: [Point3, Point3] = [
          [30, -210, 390],
          [-12, 44, 288],
        ];
        const [a, b] = [carried(ON_AXLE, asked, at, p), carried(ON_AXLE, asked, at, q)];
        const turned = turnedBy({ roll: asked.roll, ...at }, [p[0] - q[0], p[1] - q[1], p[2] - q[2]]);
        turned.forEach((v, i) => {
          expect(v).toBeCloseTo((a[i] ?? 0) - (b[i] ?? 0), 9);
        });
        expect(Math.hypot(...turned)).toBeCloseTo(far(p, q), 9);
      }),
    );
  });

  it('bind stores energy: what it takes to roll on is its slope', () => {
    const bound: SolidAxle = {
      ...ON_AXLE,
      links: ON_AXLE.links.map((l, i) => ({ ...l, rate: 1500 + 200 * i })),
    };
    const energy = (roll: number) => {
      const at = axlePose(bound, { z: 12, roll });
      return at.errors.reduce((sum, e, i) => sum + ((bound.links[i]?.rate ?? 1) * e * e) / 2, 0);
    };
    // The torque of the bind by the forces of the links about the way forward, against the slope of the energy.
    const asked = { z: 12, roll: 0.03 };
    const at = axlePose(bound, asked);
    const torque = bound.links.reduce((sum, { axle, chassis, rate = 1 }, i) => {
      const p = carried(bound, asked, at, axle);
      const l = far(p, chassis);
      const force = rate * (at.errors[i] ?? 0);
      const u = [(p[0] - chassis[0]) / l, (p[1] - chassis[1]) / l, (p[2] - chassis[2]) / l] as const;
      // How the place moves as roll grows by itself: turned about the axle’s own way forward, before pitch and yaw.
      const h = 1e-6;
      const moved = carried(bound, { ...asked, roll: asked.roll + h }, at, axle);
      const by = [0, 1, 2].map((k) => ((moved[k] ?? 0) - (p[k] ?? 0)) / h);
      return sum + force * (u[0] * by[0]! + u[1] * by[1]! + u[2] * by[2]!);
    }, 0);
    const slope = (energy(0.0302) - energy(0.0298)) / 0.0004;
    expect(torque / slope).toBeCloseTo(1, 2);
  });
});
