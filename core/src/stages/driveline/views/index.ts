export * from './desk';
export * from './order';
