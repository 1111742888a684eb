export * from './choices';
export * from './figures/others';
export * from './figures/ratios';
export * from './figures/road';
export * from './figures/run-car';
export * from './figures/set-up';
export * from './run-sets';
