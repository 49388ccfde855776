export * from './types';
export * from './lookup';
