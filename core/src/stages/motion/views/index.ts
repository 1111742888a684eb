export * from './pictures';
export { solidsOf, type Solid3, type SolidStyle } from './solids';
export type { Look, MotionScene } from './scene';
