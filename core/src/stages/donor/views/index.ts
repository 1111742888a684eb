export * from './donor';
export * from './end-section';
