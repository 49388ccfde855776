'use client';
import { useState } from 'react';
import { RequestError, send, sayError } from '@/ui/net/request';
import { Button, Caution, Dialog, DialogFoot, Line, Link, Notice, Stack, TextInput } from '@/ui/system';
import { useBase } from './provider';

/** What is done with a job as a whole: closing it, opening it again, and taking the customer out of it. */
export function CloseJob() {
  const { number, closed: wasClosed, user } = useBase();
  const [closed, setClosed] = useState(wasClosed);
  const [open, setOpen] = useState(false);
  const [erasing, setErasing] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  /** Why it is closed all the same; asked for where the server wants to know. */
  const [reason, setReason] = useState<string | null>(null);
  const run = async (work: () => Promise<void>) => {
    setProblem(null);
    try {
      await work();
      setOpen(false);
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
      setClosed(!closed);
      setReason(null);
    });
  const erase = () =>
    run(async () => {
      await send('DELETE', `/api/jobs/${number}/customer`);
      location.reload();
    });
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
      <Dialog title={`Job ${number}`} isOpen={open} onClose={() => setOpen(false)}>
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
            onClose={() => setOpen(false)}
          />
          <Line $gap={20}>
            <Link href={`/jobs/${number}/sheet`} onClick={() => setOpen(false)}>
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
    </>
  );
}
