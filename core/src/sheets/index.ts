export * from './all-sheets';
export * from './readings-log';
export * from './sheet-of';
export * from './survey-sheet';
