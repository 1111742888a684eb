export * from './end';
export * from './old-axle';
export * from './room';
export * from './top';
