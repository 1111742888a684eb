export * from './rear';
export * from './tube';
