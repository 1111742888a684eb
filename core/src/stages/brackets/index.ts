export * from './choices';
export * from './names';
export { places, type PlacedBracket } from './figures/places';
export type { PlacedBy } from './figures/sources';
export { tubeMaps, type TubeMap, type Patch } from './figures/tube-map';
