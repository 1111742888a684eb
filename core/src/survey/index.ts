export * from './survey-stage';
