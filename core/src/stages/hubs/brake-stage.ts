import { bySide, type Side, type Sided } from '../../geometry';
import { derive, type Maybe } from '../../measure';

export interface BrakeInput {
  readonly spaceLeft: Maybe;
  readonly spaceRight: Maybe;
  readonly diameter: Maybe;
  readonly offset: Maybe;
  readonly caliper: Maybe;
  readonly pad: Maybe;
  readonly rimInside: Maybe;
  readonly hoseReach: Maybe;
  readonly hoseDroop: Maybe;
}

export interface BrakeResult {
  /** Rotor’s middle from the housing-end face, mm. */
  readonly rotor: Sided<Maybe>;
  /** Shim under the caliper’s bracket that brings it over the rotor, mm; minus wants metal off. */
  readonly shim: Sided<Maybe>;
  /** Middle of the pad from the hub, mm: the arm a brake pulls on. */
  readonly radius: Maybe;
  /** Rotor’s edge to the inside of the rim, mm. */
  readonly rim: Maybe;
  /** What the hose has left at full droop, mm. */
  readonly hose: Maybe;
}

/** Where rotor and caliper stand on the new ends, and what is left round them. */
export function brakeStage(input: BrakeInput): BrakeResult {
  const rotor = bySide((side) => rotorOf(input, side));
  return {
    rotor,
    shim: bySide((side) => shimOf(rotor[side], input.caliper, side)),
    radius: radiusOf(input),
    rim: rimOf(input),
    hose: hoseOf(input),
  };
}

function rotorOf({ spaceLeft, spaceRight, offset: o }: BrakeInput, side: Side): Maybe {
  const B = side === 'left' ? spaceLeft : spaceRight;
  if (!B || !o) return undefined;
  return derive({
    id: `brake.rotor.${side}`,
    label: `Rotor’s middle from the housing end, ${side}`,
    unit: 'mm',
    formula: '{B} − {o}',
    source: 'Brake space less the hat’s offset',
    inputs: { B, o },
  });
}

function shimOf(rotor: Maybe, caliper: Maybe, side: Side): Maybe {
  if (!rotor || !caliper) return undefined;
  return derive({
    id: `brake.shim.${side}`,
    label: `Shim under the caliper’s bracket, ${side}`,
    unit: 'mm',
    formula: '{r} − {c}',
    source:
      'Rotor’s middle less the caliper’s, both from the housing-end face; minus wants metal off the bracket',
    inputs: { r: rotor, c: caliper },
  });
}

function radiusOf({ diameter: D, pad: h }: BrakeInput): Maybe {
  if (!D || !h) return undefined;
  return derive({
    id: 'brake.radius.effective',
    label: 'Arm of the brake',
    unit: 'mm',
    formula: '({D} − {h})/2',
    source: 'Hub to the middle of the pad',
    inputs: { D, h },
  });
}

function rimOf({ diameter: D, rimInside: d }: BrakeInput): Maybe {
  if (!D || !d) return undefined;
  return derive({
    id: 'brake.rim',
    label: 'Rotor’s edge to the rim',
    unit: 'mm',
    formula: '({d} − {D})/2',
    source: 'The caliper needs its own reach more',
    inputs: { d, D },
  });
}

function hoseOf({ hoseReach: l, hoseDroop: n }: BrakeInput): Maybe {
  if (!l || !n) return undefined;
  return derive({
    id: 'brake.hose',
    label: 'Hose left at full droop',
    unit: 'mm',
    formula: '{l} − {n}',
    source: 'What the hose reaches less what it needs with the axle hanging',
    inputs: { l, n },
  });
}
