export * from './cut-sheet';
export * from './words';
export * from './readings-log';
export * from './survey-sheet';
export * from './order-sheets';
