export * from './ring-plane';
export * from './random';
export * from './day-number';
export * from './quantile';
export * from './draws';
