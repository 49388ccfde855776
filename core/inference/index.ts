export { noisyOr } from './noisy-or';
export type { Node, NoisyOr } from './noisy-or';
export { compile, LARGEST, noFindings } from './tree';
export type { Answer, Compiled, Likelihoods } from './tree';
export type { Family } from './family';
