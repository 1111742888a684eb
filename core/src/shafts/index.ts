export * from './engagement';
export * from './order-length';
export * from './shaft-checks';
export * from './shafts-stage';
export * from './flange-bending';
export * from './spline-pressure';
export * from './twist';
export * from './stock-pairs';
