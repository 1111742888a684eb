export * from './check';
export * from './limits';
export * from './judge';
