export * from './axle-torque';
export * from './brief-stage';
export * from './rear-load';
