import type { JobState } from '@/core/case';
import { packOf } from '@/core/facts';
import type { Inspection, LiningState } from '@/core/inspection';
import type { Element } from '@/core/unit';

const STATE_WORDS: Record<LiningState, string> = {
  sound: 'sound',
  'heat-marked': 'marked by heat',
  burnt: 'burnt',
  welded: 'burnt and fused',
};

/** A pack in a line: how it looks, and how much of it was looked at. */
export function packSaid(inspection: Inspection, state: JobState, element: Element): string {
  const pack = packOf(inspection, state, element);
  if (pack.inspected === 0) return 'Nothing looked at yet';
  const seen = `${pack.inspected} of ${pack.faces} faces`;
  return pack.state ? `${STATE_WORDS[pack.state]}, ${seen}` : seen;
}
