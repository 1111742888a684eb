export * from './rear-view';
export * from './tube-view';
export * from './view';
