'use client';
import { useEffect, useRef } from 'react';
import { valueOf } from '@/core/case';
import type { Json } from '@/core/case';
import { Choice, FieldLabel, NumberInput, Stack, TextInput } from '@/ui/system';
import type { Option } from '@/ui/system';
import { useJob } from './provider';

const PAUSE = 400;

/**
 * Text bound to a slot. It is written when the typist pauses or leaves; until then each keystroke is kept in the tab's
 * own storage, so that a reload in mid-word loses nothing.
 */
export function SlotText(props: {
  slot: string;
  label: string;
  lines?: number;
  description?: string;
  hideLabel?: boolean;
  maxLength?: number;
}) {
  const { state, write, number } = useJob();
  const key = `pelvik-draft-${number}-${props.slot}`;
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const save = useRef(write);
  useEffect(() => {
    save.current = write;
  }, [write]);
  useEffect(() => {
    const draft = sessionStorage.getItem(key);
    if (draft !== null) {
      sessionStorage.removeItem(key);
      save.current(props.slot, draft === '' ? null : draft);
    }
    return () => {
      if (timer.current) clearTimeout(timer.current);
      const left = sessionStorage.getItem(key);
      if (left === null) return;
      sessionStorage.removeItem(key);
      save.current(props.slot, left === '' ? null : left);
    };
  }, [key, props.slot]);
  const change = (text: string) => {
    sessionStorage.setItem(key, text);
    if (timer.current) clearTimeout(timer.current);
    timer.current = setTimeout(() => {
      sessionStorage.removeItem(key);
      save.current(props.slot, text.trim() === '' ? null : text);
    }, PAUSE);
  };
  return (
    <TextInput
      label={props.label}
      hideLabel={props.hideLabel}
      lines={props.lines}
      description={props.description}
      maxLength={props.maxLength ?? 4000}
      value={valueOf<string>(state, props.slot) ?? ''}
      onChange={change}
    />
  );
}

export function SlotNumber(props: {
  slot: string;
  label: string;
  unit: string;
  min: number;
  max: number;
  whole?: boolean;
  description?: string;
  /** Stored value per shown unit, e.g. 100 for money. */
  scale?: number;
}) {
  const { state, write } = useJob();
  const scale = props.scale ?? 1;
  const stored = valueOf<number>(state, props.slot);
  return (
    <NumberInput
      label={props.label}
      unit={props.unit}
      min={props.min}
      max={props.max}
      whole={props.whole}
      description={props.description}
      value={stored === undefined ? undefined : stored / scale}
      onChange={(v) => write(props.slot, v === null ? null : scale === 1 ? v : Math.round(v * scale))}
    />
  );
}

export function SlotChoice<T extends string>(props: {
  slot: string;
  label: string;
  options: readonly Option<T>[];
  tall?: boolean;
  hideLabel?: boolean;
}) {
  const { state, write } = useJob();
  return (
    <Stack $gap={4}>
      {!props.hideLabel && <FieldLabel as="span">{props.label}</FieldLabel>}
      <Choice
        label={props.label}
        tall={props.tall}
        value={valueOf<T>(state, props.slot)}
        options={props.options}
        onChange={(v) => write(props.slot, v)}
      />
    </Stack>
  );
}

/** Choice over one field of an object slot; the other fields keep their values. Clearing the key field clears the slot. */
export function useObjectSlot<T extends { [key: string]: Json }>(
  slot: string,
): [Partial<T>, (patch: Partial<T> | null) => void] {
  const { state, write } = useJob();
  const value = valueOf<T>(state, slot) ?? ({} as Partial<T>);
  const change = (patch: Partial<T> | null) => {
    if (patch === null) return write(slot, null);
    const next = Object.fromEntries(
      Object.entries({ ...value, ...patch }).filter(([, v]) => v !== undefined && v !== null),
    );
    write(slot, next as Json);
  };
  return [value, change];
}
