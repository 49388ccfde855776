'use client';
import { useState } from 'react';
import { useBench } from '@/ui/job/provider';
import { Dialog, DialogFoot, forgetTyping, Stack, TextInput } from '@/ui/system';

/** Asks for the reason something is done for; it is kept on record. */
export function ReasonDialog(props: {
  title: string;
  /** What it is about. */
  words: string;
  label: string;
  /** What the typing is kept under. */
  field: string;
  action: string;
  onGive: (reason: string) => void;
  onClose: () => void;
}) {
  const { keepName } = useBench();
  const keep = keepName(props.field);
  const [reason, setReason] = useState('');
  return (
    <Dialog title={props.title} isOpen onClose={props.onClose}>
      <Stack $gap={14}>
        <p>{props.words}</p>
        <TextInput
          label={props.label}
          keep={keep}
          value={reason}
          onChange={setReason}
          lines={3}
          maxLength={500}
        />
        <DialogFoot
          words={props.action}
          isDisabled={reason.trim() === ''}
          onPress={() => {
            props.onGive(reason.trim());
            forgetTyping(keep);
            props.onClose();
          }}
          onClose={props.onClose}
        />
      </Stack>
    </Dialog>
  );
}
