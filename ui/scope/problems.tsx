'use client';
import { variantMeasured } from '@/core/scope';
import type { ScopeProblem } from '@/core/scope';
import { useJob } from '@/ui/job/provider';
import { drawnLater } from '@/ui/system';

/** Comes with the first problem: most scopes have none. */
const ProblemList = drawnLater(() => import('./problem-list').then((m) => m.ProblemList));

/** What speaks against the scope, and what was measured to settle it. */
export function Problems({ problems }: { problems: readonly ScopeProblem[] }) {
  const { unit, state } = useJob();
  const asked = problems.map((p) => p.id);
  const measured = unit.variants.filter(
    (v) => variantMeasured(unit, state, v.id) !== undefined && !asked.includes(`variant-${v.id}`),
  );
  if (problems.length === 0 && measured.length === 0) return null;
  return <ProblemList problems={problems} measured={measured} />;
}
