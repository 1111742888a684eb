export * from './level-stage';
export * from './survey-stage';
export * from './angles-stage';
export * from './relative-angle';
export * from './room-stage';
