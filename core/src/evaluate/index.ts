export * from './all-figures';
export * from './evaluate';
export * from './evidence';
export * from './results';
export { placeWord } from './strip';
export * from './rests-on';
export * from './stack-inputs';
export * from './pair-question';
