'use client';
import { useEffect, useRef } from 'react';
import type { Json } from '@/core/case';
import { valueOf } from '@/core/case';
import { TextInput } from '@/ui/system';
import { useJob } from './provider';

/** Text bound to one field of an object slot; the slot's other fields keep their values. Written on a pause. */
export function SlotObjectText(props: { slot: string; field: string; label: string; maxLength: number }) {
  const { state, write } = useJob();
  const value = valueOf<{ [key: string]: Json }>(state, props.slot) ?? {};
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef(value);
  useEffect(() => {
    latest.current = value;
  });
  return (
    <TextInput
      label={props.label}
      maxLength={props.maxLength}
      value={(value[props.field] as string | undefined) ?? ''}
      onChange={(text) => {
        if (timer.current) clearTimeout(timer.current);
        timer.current = setTimeout(() => {
          const { [props.field]: _, ...rest } = latest.current;
          write(props.slot, text.trim() ? { ...rest, [props.field]: text } : rest);
        }, 400);
      }}
    />
  );
}
