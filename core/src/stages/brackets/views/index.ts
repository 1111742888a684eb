export { rearView, topView } from './axle';
export { leftMap, rightMap } from './map';
export { sideViews } from './side';
