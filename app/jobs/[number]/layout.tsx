import type { ReactNode } from 'react';
import { jobStart } from '@/server/page';
import { JobFrame } from '@/ui/job/frame';
import { JobProvider } from '@/ui/job/provider';
import { MessagePage } from '@/ui/system/message';

export async function generateMetadata({ params }: { params: Promise<{ number: string }> }) {
  return { title: `Job ${(await params).number} · Pelvik` };
}

export default async function JobLayout({
  children,
  params,
}: {
  children: ReactNode;
  params: Promise<{ number: string }>;
}) {
  const start = await jobStart((await params).number);
  if (!start)
    return <MessagePage title="There is no such job" words="Check the number, or go back to the board." />;
  return (
    <JobProvider key={start.number} start={start}>
      <JobFrame>{children}</JobFrame>
    </JobProvider>
  );
}
