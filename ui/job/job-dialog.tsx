'use client';
import { useState } from 'react';
import { RequestError, send, sayError } from '@/ui/net/request';
import { Button, Caution, Dialog, DialogFoot, Line, Link, Notice, Stack, TextInput } from '@/ui/system';
import { useBase } from './provider';

interface Props {
  isOpen: boolean;
  closed: boolean;
  onClose: () => void;
  /** The job was closed, or opened again. */
  onChange: (closed: boolean) => void;
}

/** What is done with a job as a whole: closing it, opening it again, and taking the customer out of it. */
export function JobDialog({ isOpen, closed, onClose, onChange }: Props) {
  const { number, user } = useBase();
  const [erasing, setErasing] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  /** Why it is closed all the same; asked for where the server wants to know. */
  const [reason, setReason] = useState<string | null>(null);
  const run = async (work: () => Promise<void>) => {
    setProblem(null);
    try {
      await work();
      onClose();
    } catch (error) {
      setProblem(sayError(error));
      if (error instanceof RequestError && error.status === 409) setReason((r) => r ?? '');
    }
  };
  const toggle = () =>
    run(async () => {
      await send('PATCH', `/api/jobs/${number}`, {
        body: { closed: !closed, ...(reason ? { reason } : {}) },
      });
      onChange(!closed);
      setReason(null);
    });
  const erase = () =>
    run(async () => {
      await send('DELETE', `/api/jobs/${number}/customer`);
      location.reload();
    });
  return (
    <Dialog title={`Job ${number}`} isOpen={isOpen} onClose={onClose}>
      <Stack $gap={16}>
        <p>
          {closed
            ? 'This job is closed: it is not on the board. It is found there with the filter “Closed”.'
            : 'A closed job leaves the board and is found again with the filter “Closed”. Nothing of it is lost.'}
        </p>
        {problem && (
          <Notice $tone="bad" role="alert">
            {problem}
          </Notice>
        )}
        {reason !== null && (
          <TextInput
            label="Why the job is closed"
            value={reason}
            onChange={setReason}
            maxLength={500}
            lines={2}
          />
        )}
        <DialogFoot
          words={closed ? 'Open it again' : 'Close this job'}
          onPress={() => void toggle()}
          onClose={onClose}
        />
        <Line $gap={20}>
          <Link href={`/jobs/${number}/sheet`} onClick={onClose}>
            Teardown sheet, for paper
          </Link>
          <a href={`/api/jobs/${number}/findings`}>Findings as a table (CSV)</a>
          <a href={`/api/jobs/${number}/case`}>The whole job as a file</a>
        </Line>
        {user.role === 'owner' &&
          (erasing ? (
            <Stack>
              <Caution>
                Name, telephone and plate leave the record, the quotes and their answers for good, and links
                to the quotes end. What was found and done stays. This cannot be undone.
              </Caution>
              <Line>
                <Button onPress={() => void erase()}>Erase the customer’s data</Button>
                <Button $kind="quiet" onPress={() => setErasing(false)}>
                  Keep it
                </Button>
              </Line>
            </Stack>
          ) : (
            <div>
              <Button $kind="quiet" onPress={() => setErasing(true)}>
                The customer asks to be erased …
              </Button>
            </div>
          ))}
      </Stack>
    </Dialog>
  );
}
