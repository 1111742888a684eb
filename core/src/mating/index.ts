export * from './bearing-fit';
export * from './ligament';
export * from './mating-checks';
export * from './mating-stage';
