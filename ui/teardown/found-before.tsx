'use client';
import { useSlot } from '@/ui/job/provider';
import { useFoundInJob } from '@/ui/job/use-found';
import { Caption, Link } from '@/ui/system';

/** At a comeback: what the earlier job found wrong at this station. */
export function FoundBefore({ station }: { station: string }) {
  const job = useSlot('history.comeback');
  const { found } = useFoundInJob(job);
  const here = found?.wrong.filter((w) => w.station === station) ?? [];
  if (here.length === 0) return null;
  return (
    <Caption>
      Found here in <Link href={`/jobs/${job}/teardown`}>job {job}</Link>:{' '}
      {here.map((w) => `${w.name}: ${w.words}`).join('; ')}.
    </Caption>
  );
}
