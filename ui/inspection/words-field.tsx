'use client';
import { useBench } from '@/ui/job/provider';
import { TextInput } from '@/ui/system';
import type { FindingHandle } from './use-finding';

/** What no list foresees, in a few words. */
export function WordsField({ handle, label }: { handle: FindingHandle; label: string }) {
  const { keepName } = useBench();
  const is = handle.finding?.is;
  return (
    <TextInput
      label={label}
      maxLength={2000}
      pause
      keep={keepName(handle.slot)}
      value={typeof is === 'string' ? is : ''}
      onChange={(text) => handle.say(text.trim() ? text : null)}
    />
  );
}
