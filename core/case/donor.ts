import { valueOf } from './fold';
import type { JobState } from './fold';

/** A core that was bought for what is good in it. */
export const isDonor = (state: JobState) =>
  valueOf(state, 'vehicle.bare') === true && valueOf(state, 'unit-source.from') !== undefined;
