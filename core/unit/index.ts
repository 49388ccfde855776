export * from './types';
export * from './equipment';
export * from './lookup';
export * from './words';
