export * from './definitions';
export * from './format-angle';
export * from './format-length';
export * from './parse-angle';
export * from './parse-length';
export * from './tidy-text';
export * from './amount';
