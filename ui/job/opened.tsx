'use client';
import { useSyncExternalStore } from 'react';
import type { ReactNode } from 'react';
import { JobFrame } from './frame';
import { JobProvider } from './provider';
import type { JobStart } from './provider';
import { JobWaiting } from './waiting';

interface Props {
  number: string;
  start: JobStart | null;
  /** Id of the element a document may keep its job in. */
  element: string;
  children: ReactNode;
}

/** A job's page: of the job it was given, or of the one that stands in its document. */
export function JobOpened(props: Props) {
  const { number, element, children } = props;
  const written = useSyncExternalStore(
    never,
    () => writtenJob(number, element),
    () => null,
  );
  const start = props.start ?? written;
  if (!start) return <JobWaiting number={number} />;
  return (
    <JobProvider key={start.number} start={start}>
      <JobFrame>{children}</JobFrame>
    </JobProvider>
  );
}

const never = () => () => undefined;

let read: JobStart | null | undefined;

/** The job the document came with, while it is the one asked for. */
function writtenJob(number: string, element: string): JobStart | null {
  if (read === undefined) {
    const text = document.getElementById(element)?.textContent;
    read = text ? (JSON.parse(text) as JobStart) : null;
  }
  return read && String(read.number) === number ? read : null;
}
