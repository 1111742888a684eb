export * from './centre-range';
export * from './fit-map';
export * from './tyre-size';
export * from './wheel';
export * from './stance-stage';
export * from './stance-checks';
export * from './poses';
export * from './room';
