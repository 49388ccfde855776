'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { RequestError, send } from '@/ui/job/request';
import { Button, Dialog, Line, Notice, Stack } from '@/ui/system';

const Pick = styled(Button)`
  justify-content: space-between;
  width: 100%;
  min-height: 64px;
  white-space: normal;
  text-align: left;
  small {
    font-weight: 400;
    color: var(--ink-soft);
  }
`;

/** A new job begins with its unit, or with a case file from elsewhere. */
export function NewJob(props: {
  units: { id: string; name: string; layout: string }[];
  isOpen: boolean;
  onClose: () => void;
}) {
  const router = useRouter();
  const [problem, setProblem] = useState<string | null>(null);
  const go = async (work: () => Promise<{ number: number }>, stage: string) => {
    setProblem(null);
    try {
      router.push(`/jobs/${(await work()).number}${stage}`);
    } catch (error) {
      setProblem(
        error instanceof RequestError
          ? `${error.message} ${error.remedy}`
          : 'No connection to the shop’s server. Try again.',
      );
    }
  };
  return (
    <Dialog title="Which unit is it?" isOpen={props.isOpen} onClose={props.onClose}>
      <Stack>
        {props.units.map((unit) => (
          <Pick
            key={unit.id}
            onPress={() => void go(() => send('POST', '/api/jobs', { unit: unit.id }), '/intake')}
          >
            {unit.name} <small>{unit.layout}</small>
          </Pick>
        ))}
        {problem && (
          <Notice $tone="bad" role="alert">
            {problem}
          </Notice>
        )}
        <Line>
          <FileTrigger
            acceptedFileTypes={['application/json', '.json']}
            onSelect={(files) => {
              const file = files?.[0];
              if (file) void go(() => send('POST', '/api/cases', undefined, file), '');
            }}
          >
            <Button $kind="quiet">Open a case file</Button>
          </FileTrigger>
          <Button $kind="quiet" onPress={props.onClose}>
            Cancel
          </Button>
        </Line>
      </Stack>
    </Dialog>
  );
}
