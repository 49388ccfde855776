export * from './types';
export * from './lookup';
export * from './words';
