export * from './donor-view';
export * from './end-view';
export * from './rear-view';
export * from './room-view';
export * from './survey-view';
export * from './top-view';
export * from './tube-view';
export * from './view';
