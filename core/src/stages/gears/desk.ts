// What only its desk and its order ask for: fetched with them.
export * from './hold-points';
export * from './practice';
