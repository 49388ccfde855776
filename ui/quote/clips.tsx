'use client';
import { useState } from 'react';
import { FileTrigger } from 'react-aria-components';
import { ObjectText } from '@/ui/job/fields';
import { useJob, useSlots } from '@/ui/job/provider';
import { sayError, send, uploadTime } from '@/ui/net/request';
import { Button, Caption, FieldLabel, Line, Notice, Stack } from '@/ui/system';

/** Also the server's limits. */
const LARGEST = 25 * 1024 * 1024;
const MOST = 3;

/** Short clips that go along: sent to the server first, then named in the record. */
export function Clips() {
  const { number, write } = useJob();
  const clips = useSlots('clip.');
  const [problem, setProblem] = useState<string | null>(null);
  const [sending, setSending] = useState(false);
  const take = async (file: File | undefined) => {
    if (!file) return;
    setProblem(null);
    if (file.size > LARGEST)
      return setProblem(
        `This clip has ${Math.round(file.size / 2 ** 20)} MB. It may have 25: record half a minute, or smaller.`,
      );
    setSending(true);
    try {
      const id = crypto.randomUUID();
      await send('PUT', `/api/jobs/${number}/clips/${id}`, { raw: file, within: uploadTime(file.size) });
      write(`clip.${id}`, { caption: '' });
    } catch (error) {
      setProblem(sayError(error));
    }
    setSending(false);
  };
  return (
    <Stack $gap={8}>
      <FieldLabel as="span">Clips that go along</FieldLabel>
      {clips.map(([id]) => (
        <Line key={id} $gap={12} style={{ alignItems: 'end' }}>
          <video
            controls
            preload="metadata"
            src={`/api/jobs/${number}/clips/${id}`}
            width={200}
            height={120}
          />
          <ObjectText slot={`clip.${id}`} field="caption" label="What it shows" maxLength={300} />
          <Button $kind="quiet" onPress={() => write(`clip.${id}`, null)}>
            Leave it out
          </Button>
        </Line>
      ))}
      {clips.length < MOST && (
        <Line>
          <FileTrigger
            acceptedFileTypes={['video/mp4', 'video/webm']}
            onSelect={(files) => void take(files?.[0])}
          >
            <Button isDisabled={sending}>{sending ? 'Sending the clip …' : 'Add a clip'}</Button>
          </FileTrigger>
          <Caption as="span">MP4 or WebM, at most 25 MB; it needs the connection.</Caption>
        </Line>
      )}
      {problem && <Notice $tone="bad">{problem}</Notice>}
    </Stack>
  );
}
