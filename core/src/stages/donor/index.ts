export * from './donor-checks';
export * from './donor-stage';
export * from './capacity';
export * from './condition-checks';
export * from './ratio-stage';
export * from './slip';
