'use client';
import { memo } from 'react';
import type { Json } from '@/core/case';
import { Choice, FieldLabel, NumberInput, Stack, TextInput } from '@/ui/system';
import type { Option } from '@/ui/system';
import { useBench, useSlot } from './provider';

interface TextProps {
  slot: string;
  label: string;
  lines?: number;
  description?: string;
  hideLabel?: boolean;
  maxLength?: number;
  type?: string;
}

/** Text bound to a slot, written when the typist pauses or leaves. */
export const SlotText = memo(function SlotText({ slot, maxLength = 4000, ...field }: TextProps) {
  const { write, keepName } = useBench();
  return (
    <TextInput
      {...field}
      maxLength={maxLength}
      keep={keepName(slot)}
      pause
      value={useSlot<string>(slot) ?? ''}
      onChange={(text) => write(slot, text.trim() === '' ? null : text)}
    />
  );
});

interface NumberProps {
  slot: string;
  label: string;
  unit: string;
  min: number;
  max: number;
  whole?: boolean;
  description?: string;
  /** Stored value per shown unit, e.g. 100 for money. */
  scale?: number;
}

/** A number bound to a slot, written when the typist pauses or leaves. */
export const SlotNumber = memo(function SlotNumber({ slot, scale = 1, ...field }: NumberProps) {
  const { write, keepName } = useBench();
  const stored = useSlot<number>(slot);
  return (
    <NumberInput
      {...field}
      keep={keepName(slot)}
      pause
      value={stored === undefined ? undefined : stored / scale}
      onChange={(v) => write(slot, v === null ? null : scale === 1 ? v : Math.round(v * scale))}
    />
  );
});

interface ChoiceProps<T extends string> {
  slot: string;
  label: string;
  options: readonly Option<T>[];
  tall?: boolean;
  hideLabel?: boolean;
}

/** One of a few values, bound to a slot. */
export function SlotChoice<T extends string>(props: ChoiceProps<T>) {
  const { write } = useBench();
  return (
    <Stack $gap={4}>
      {!props.hideLabel && <FieldLabel as="span">{props.label}</FieldLabel>}
      <Choice
        label={props.label}
        tall={props.tall}
        value={useSlot<T>(props.slot)}
        options={props.options}
        onChange={(v) => write(props.slot, v)}
      />
    </Stack>
  );
}

/** An object slot and a way to change some of its fields; the others keep their values. Null clears the slot. */
export function useObjectSlot<T extends { [key: string]: Json }>(
  slot: string,
): [Partial<T>, (patch: Partial<T> | null) => void] {
  const { write, now } = useBench();
  const value: Partial<T> = useSlot<T>(slot) ?? {};
  const change = (patch: Partial<T> | null) => {
    if (patch === null) return write(slot, null);
    // From the record as it stands at this moment: two fields left at once must not undo each other.
    const kept = Object.entries({ ...now<T>(slot), ...patch }).filter(
      ([, v]) => v !== undefined && v !== null,
    );
    write(slot, kept.length ? (Object.fromEntries(kept) as Json) : null);
  };
  return [value, change];
}

/** Text bound to one field of an object slot. */
export function ObjectText(props: { slot: string; field: string; label: string; maxLength: number }) {
  const [value, change] = useObjectSlot<{ [key: string]: Json }>(props.slot);
  return (
    <TextInput
      label={props.label}
      maxLength={props.maxLength}
      keep={useBench().keepName(`${props.slot}.${props.field}`)}
      pause
      value={(value[props.field] as string | undefined) ?? ''}
      onChange={(text) => change({ [props.field]: text.trim() ? text : null })}
    />
  );
}

/** A number bound to one field of an object slot. */
export function ObjectNumber(props: {
  slot: string;
  field: string;
  label: string;
  unit: string;
  min: number;
  max: number;
  whole?: boolean;
}) {
  const [value, change] = useObjectSlot<{ [key: string]: Json }>(props.slot);
  const { slot, field, ...rest } = props;
  return (
    <NumberInput
      {...rest}
      keep={useBench().keepName(`${slot}.${field}`)}
      pause
      value={value[field] as number | undefined}
      onChange={(v) => change({ [field]: v })}
    />
  );
}
