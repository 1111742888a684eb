export * from './brief-stage';
