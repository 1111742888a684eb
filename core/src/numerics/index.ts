export * from './ring-plane';
