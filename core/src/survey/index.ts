export * from './level';
export * from './level-stage';
export * from './survey-stage';
