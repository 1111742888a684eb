export * from './formula';
export * from './parse';
