export * from './derive';
export * from './figure';
export * from './instrument';
export * from './reading';
export * from './show';
export * from './rests-on';
export * from './sized';
