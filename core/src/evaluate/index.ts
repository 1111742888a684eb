export * from './all-figures';
export * from './contradictions';
export { lacking } from './decisions';
export * from './evaluate';
export * from './evidence';
export * from './iso-day';
export * from './rests-on';
export * from './results';
