export * from './choices';
export * from './figures/held';
export { standing, study } from './figures/study';
export * from './names';
