import { integer, said, string } from '@/core/format';

/** Minor units; a line taken off is less than nothing. */
export const money = said('Minor units', integer(-1e12, 1e12));
/** A photo's or a clip's. */
export const mediumId = string({ pattern: '^[\\w-]{8,64}$' });
