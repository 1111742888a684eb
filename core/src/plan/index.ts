export * from './catalogue';
export * from './plan';
export * from './quantity';
export * from './accepts';
export * from './read-quantity';
