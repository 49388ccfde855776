export { noisyOr } from './noisy-or';
export type { Node, NoisyOr } from './noisy-or';
export { compile, LARGEST, noFindings } from './compile';
export type { Answer, Compiled, Likelihoods } from './compile';
export type { Family } from './family';
