'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { Dialog, FileTrigger, Heading, Modal, ModalOverlay } from 'react-aria-components';
import styled from 'styled-components';
import { RequestError, send } from '@/ui/job/request';
import { Button, Line, Notice, Stack } from '@/ui/system';

const Shade = styled(ModalOverlay)`
  position: fixed;
  inset: 0;
  display: grid;
  place-items: center;
  background: rgb(10 17 16 / 62%);
  z-index: 10;
`;
const Sheet = styled(Modal)`
  width: min(560px, calc(100vw - 32px));
  background: var(--sheet);
  border-top: 6px solid var(--accent);
  padding: 24px;
  [role='dialog'] {
    outline: none;
  }
  h2 {
    font-size: 1.375rem;
    margin-bottom: 16px;
  }
`;
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
    <Shade isOpen={props.isOpen} onOpenChange={(open) => !open && props.onClose()} isDismissable>
      <Sheet>
        <Dialog>
          <Heading slot="title">Which unit is it?</Heading>
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
      </Sheet>
    </Shade>
  );
}
