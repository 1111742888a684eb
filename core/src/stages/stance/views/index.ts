export * from './corner';
