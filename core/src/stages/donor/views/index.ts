export * from './donor';
