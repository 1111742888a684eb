export * from './joint-chain';
export * from './exact-chain';
export * from './gear-set-up';
export * from './critical-speed';
export * from './pinion-slopes';
export * from './shim-kit';
export * from './pull';
export * from './straight-line-run';
