export * from './ring-plane';
export * from './random';
