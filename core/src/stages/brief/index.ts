export * from './brief-stage';
export * from './choices';
export * from './figures/torque';
export * from './names';
