import { redirect } from 'next/navigation';
import { STAGE, STAGES } from '@/core/stage';
import { jobStart } from '@/server/page';

/** A job opens at the stage it has reached, or the last before it that has a page. */
export default async function JobPage({ params }: { params: Promise<{ number: string }> }) {
  const start = await jobStart((await params).number);
  if (!start) return null;
  const open = STAGES.slice(0, STAGES.indexOf(start.stage) + 1).findLast((s) => STAGE[s].page);
  redirect(`/jobs/${start.number}/${open}`);
}
