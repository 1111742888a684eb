export * from './shaft';
