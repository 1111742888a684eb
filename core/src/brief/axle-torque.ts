/** What the engine side needs to know. */
export interface EngineSide {
  /** Greatest torque at the flywheel, N·m. */
  readonly torque: number;
  /** Torque multiplication of the converter at stall; 1 for a clutch. */
  readonly stall: number;
  /** Ratio of the gear the car is set off in. */
  readonly gear: number;
  readonly axle: number;
  /** Share of the torque that arrives, 0 to 1. */
  readonly efficiency: number;
  /** Share of both shafts' torque that one may have to carry, 0.5 to 1. */
  readonly share: number;
  /** Shock of the launch, 1 or more. */
  readonly shock: number;
}

/**
 * Torque the engine can put into one shaft, N·m: T·stall·gear·axle·η·share·shock.
 *
 * @example engineSideTorque({ torque: 420, stall: 1, gear: 2.92, axle: 3.7, efficiency: 0.9, share: 0.75, shock: 1.3 }) // 3982 N·m
 * @source Derivation; shares and shocks are the project's defaults
 */
export const engineSideTorque = (v: EngineSide): number =>
  v.torque * v.stall * v.gear * v.axle * v.efficiency * v.share * v.shock;
