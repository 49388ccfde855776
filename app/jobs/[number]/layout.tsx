import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { jobStart } from '@/server/page';
import { JOB_ELEMENT, SHELL_HEADER } from '@/server/shell';
import { JobOpened } from '@/ui/job/opened';
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
  const { number } = await params;
  // A shell is the page of no job yet: the job is put into the document for whoever asks.
  const shell = (await headers()).has(SHELL_HEADER);
  const start = shell ? null : await jobStart(number);
  if (!shell && !start)
    return <MessagePage title="There is no such job" words="Check the number, or go back to the board." />;
  return (
    <JobOpened number={number} start={start} element={JOB_ELEMENT}>
      {children}
    </JobOpened>
  );
}
