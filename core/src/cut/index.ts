export * from './cut-checks';
export * from './face-tilt';
export * from './marks-stage';
export * from './press-fit';
export * from './school-halves';
export * from './school-stage';
export * from './scribe';
export * from './square-stage';
