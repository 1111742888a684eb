export * from './donor-view';
export * from './rear-view';
export * from './survey-view';
export * from './tube-view';
export * from './view';
