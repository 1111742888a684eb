export * from './donor-checks';
export * from './donor-stage';
export * from './spline';
