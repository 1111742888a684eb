export * from './pictures';
export type { Look, MotionScene } from './scene';
