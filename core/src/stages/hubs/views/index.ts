export * from './flange';
