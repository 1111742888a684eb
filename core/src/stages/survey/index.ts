export * from './level-stage';
export * from './survey-stage';
export * from './angles-stage';
export * from './relative-angle';
export * from './room-stage';
export * from './figures/car';
export * from './level-quantities';
export {
  POSES,
  RIM_BOTTOM,
  ROOM_HEIGHTS,
  roomKindOf,
  type Pose,
  type RoomHeight,
  type RoomId,
} from './room-quantities';
