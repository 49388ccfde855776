import { redirect } from 'next/navigation';
import { jobStart } from '@/server/page';

/** A job opens at the stage it has reached. */
export default async function JobPage({ params }: { params: Promise<{ number: string }> }) {
  const start = await jobStart((await params).number);
  if (!start) return null;
  const open = start.stage === 'release' ? 'build' : start.stage;
  redirect(`/jobs/${start.number}/${open}`);
}
