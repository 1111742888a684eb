export * from './view';
export * from './curve';
export * from './layout';
export * from './place-words';
