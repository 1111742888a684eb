export * from './bearing-fit';
export * from './mating-checks';
export * from './mating-stage';
export * from './choices';
export * from './joints';
