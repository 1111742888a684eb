export * from './instrument-line';
export * from './requests';
