export { noisyOr } from './noisy-or';
export type { Node, NoisyOr } from './noisy-or';
export { compile, LARGEST, MOST_VARIABLES, noFindings, TooLarge } from './compile';
export type { Answer, Compiled, Likelihoods } from './compile';
export type { Family } from './family';
