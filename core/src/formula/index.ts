export * from './formula';
export * from './parse';
export * from './batch';
export { Columns } from './columns';
