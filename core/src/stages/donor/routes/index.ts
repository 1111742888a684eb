export * from './rank-routes';
export * from './route-summary';
