export * from './ring-plane';
export * from './random';
export * from './day-number';
