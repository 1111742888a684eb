export * from './joi-of';
export * from './plan-file';
export * from './plan-schema';
export * from './problems';
export * from './requests';
export * from './text';
export * from './wire';
export * from './people';
