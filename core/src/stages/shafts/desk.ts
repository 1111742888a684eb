// What only its desk and its order ask for: fetched with them.
export * from './shaft-order';
export * from './figures/stack';
export * from './figures/pair-question';
