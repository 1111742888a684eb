export * from './shaft-checks';
export * from './shafts-stage';
export * from './stock-pairs';
export * from './strength-stage';
export * from './strength-checks';
export * from './stack';
export * from './shaft-order';
export * from './with-received';
