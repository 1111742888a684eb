export * from './engagement';
export * from './order-length';
export * from './shaft-checks';
export * from './shafts-stage';
