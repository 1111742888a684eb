export * from './check';
export * from './limits';
