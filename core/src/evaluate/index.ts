export * from './all-figures';
export * from './evaluate';
export * from './results';
export { placeWord } from './strip';
export * from './rests-on';
