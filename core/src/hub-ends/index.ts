export * from './pattern';
export * from './thread';
