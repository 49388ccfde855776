'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import styled from 'styled-components';
import { sayError, send } from '@/ui/net/request';
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
      setProblem(sayError(error));
    }
  };
  return (
    <Dialog title="Which unit is it?" isOpen={props.isOpen} onClose={props.onClose}>
      <Stack>
        {props.units.map((unit) => (
          <Pick
            key={unit.id}
            onPress={() => void go(() => send('POST', '/api/jobs', { body: { unit: unit.id } }), '/intake')}
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
              if (file) void go(() => send('POST', '/api/cases', { raw: file, within: 180_000 }), '');
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
