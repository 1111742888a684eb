/** What scales showed under the four wheels, kg, level. */
interface ScaleReading {
  readonly leftFront: number;
  readonly rightFront: number;
  readonly leftRear: number;
  readonly rightRear: number;
}

/** A car on scales: level, and with one end raised. Lengths mm. */
interface WeighedCar {
  readonly level: ScaleReading;
  readonly wheelbase: number;
  readonly trackFront: number;
  readonly trackRear: number;
  /** With the front wheels raised by so much: what the rear axle then weighs, kg. */
  readonly raised?: { readonly height: number; readonly rear: number; readonly wheelCentre: number };
  /** What a scale and the tape may be off, one standard uncertainty: kg a scale, mm. */
  readonly scaleUncertainty: number;
  readonly lengthUncertainty: number;
}

interface CentreOfGravity {
  readonly mass: number;
  /** In front of the rear axle, and left of the middle, mm. */
  readonly fromRear: number;
  readonly left: number;
  /** Above the floor, mm, where the car was raised. */
  readonly height?: number;
  /** Share of the weight on left front and right rear together. */
  readonly cross: number;
  /** Standard uncertainties, mm. */
  readonly uncertainty: { readonly fromRear: number; readonly left: number; readonly height?: number };
}

/**
 * Where a car’s centre of gravity is, from scales under its wheels.
 *
 * Raised by h over the wheelbase L, the wheels’ centres r above the floor, what moves to the rear is
 * ΔW = W (z − r) tan θ / L, with sin θ = h / L.
 */
export function centreOfGravity(car: WeighedCar): CentreOfGravity {
  const value = placeOf(car);
  const at = (change: (c: WeighedCar) => WeighedCar) => placeOf(change(car));
  const scales = (['leftFront', 'rightFront', 'leftRear', 'rightRear'] as const).map(
    (corner) => (c: WeighedCar) => ({
      ...c,
      level: { ...c.level, [corner]: c.level[corner] + c.scaleUncertainty },
    }),
  );
  const rear = (c: WeighedCar): WeighedCar =>
    c.raised ? { ...c, raised: { ...c.raised, rear: c.raised.rear + Math.SQRT2 * c.scaleUncertainty } } : c;
  const lengths = [
    (c: WeighedCar) => ({ ...c, wheelbase: c.wheelbase + c.lengthUncertainty }),
    (c: WeighedCar) => ({ ...c, trackFront: c.trackFront + c.lengthUncertainty }),
    (c: WeighedCar) => ({ ...c, trackRear: c.trackRear + c.lengthUncertainty }),
    (c: WeighedCar) =>
      c.raised ? { ...c, raised: { ...c.raised, height: c.raised.height + c.lengthUncertainty } } : c,
    (c: WeighedCar) =>
      c.raised ? { ...c, raised: { ...c.raised, wheelCentre: c.raised.wheelCentre + c.lengthUncertainty } } : c,
  ];
  const moved = [...scales, rear, ...lengths].map(at);
  const spread = (of: (p: Place) => number) => Math.hypot(...moved.map((p) => of(p) - of(value)));
  const { height, ...rest } = value;
  return {
    ...rest,
    ...(height === undefined ? {} : { height }),
    uncertainty: {
      fromRear: spread((p) => p.fromRear),
      left: spread((p) => p.left),
      ...(height === undefined ? {} : { height: spread((p) => p.height ?? 0) }),
    },
  };
}

type Place = Omit<CentreOfGravity, 'uncertainty'>;

function placeOf({ level, wheelbase, trackFront, trackRear, raised }: WeighedCar): Place {
  const { leftFront, rightFront, leftRear, rightRear } = level;
  const mass = leftFront + rightFront + leftRear + rightRear;
  const place = {
    mass,
    fromRear: ((leftFront + rightFront) / mass) * wheelbase,
    left: (((leftFront - rightFront) * trackFront) / 2 + ((leftRear - rightRear) * trackRear) / 2) / mass,
    cross: (leftFront + rightRear) / mass,
  };
  if (!raised) return place;
  const slope = Math.tan(Math.asin(raised.height / wheelbase));
  const shifted = raised.rear - (leftRear + rightRear);
  return { ...place, height: raised.wheelCentre + (shifted * wheelbase) / (mass * slope) };
}
