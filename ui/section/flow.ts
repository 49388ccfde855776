import type { ElementState } from './glyph';

/** What a member does in the gear shown. */
export type MemberState = 'carries' | 'holds' | 'turns' | 'stands' | 'floats';

export interface Flow {
  members: Map<string, MemberState>;
  elements: Map<string, ElementState>;
  gearsets: Set<string>;
}
