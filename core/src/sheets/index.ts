export * from './cut-sheet';
export * from './words';
