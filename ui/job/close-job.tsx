'use client';
import { useState } from 'react';
import { Button, drawnLater } from '@/ui/system';
import { useBase } from './provider';

const JobDialog = drawnLater(() => import('./job-dialog').then((m) => m.JobDialog));

/** The way to what is done with a job as a whole. */
export function CloseJob() {
  const { number, closed: wasClosed } = useBase();
  const [closed, setClosed] = useState(wasClosed);
  const [open, setOpen] = useState<boolean | null>(null);
  return (
    <>
      <Button
        $kind="frame"
        $small
        onPress={() => setOpen(true)}
        aria-label={`Job ${number}: sheet, files, close or reopen`}
      >
        {closed ? 'Closed' : 'Job'}
      </Button>
      {open !== null && (
        <JobDialog isOpen={open} closed={closed} onClose={() => setOpen(false)} onChange={setClosed} />
      )}
    </>
  );
}
