import { findingName, recordStage } from '@/core/case';
import type { Stage, StageOf } from '@/core/stage';
import type { Catalogue } from './catalogue';

/** The stage each slot belongs to: a finding's is its point's, all else stands in the record's own table. */
export function stageOfIn(catalogue: Catalogue): StageOf {
  const known = new Map<string, Stage | undefined>();
  return (slot) => {
    const name = findingName(slot);
    if (!name) return recordStage(slot) ?? 'intake';
    const topic = name.head === 'unit' ? name.ids[0]! : '*';
    const key = `${name.head} ${topic} ${name.point}`;
    if (!known.has(key))
      known.set(
        key,
        catalogue.files.find(
          (f) =>
            f.of[name.head] &&
            (topic === '*' || f.of[name.head]!.includes(topic)) &&
            f.points.some((p) => p.id === name.point),
        )?.stage,
      );
    return known.get(key) ?? 'teardown';
  };
}
