'use client';
import { memo } from 'react';
import type { Json, ValueAt } from '@/core/case';
import { inDistance, readingIn, readingKm } from '@/core/shop';
import { Choice, FieldLabel, MoneyInput, NumberInput, Stack, TextInput } from '@/ui/system';
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
      value={asText(useSlot(slot))}
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
}

/** A number bound to a slot, written when the typist pauses or leaves. */
export const SlotNumber = memo(function SlotNumber({ slot, ...field }: NumberProps) {
  const { write, keepName } = useBench();
  const stored = asNumber(useSlot(slot));
  return (
    <NumberInput {...field} keep={keepName(slot)} pause value={stored} onChange={(v) => write(slot, v)} />
  );
});

/** An amount of the shop's money bound to a slot. */
export function SlotMoney({ slot, label }: { slot: string; label: string }) {
  const { write, keepName, terms } = useBench();
  return (
    <MoneyInput
      label={label}
      currency={terms.currency}
      keep={keepName(slot)}
      pause
      value={asNumber(useSlot(slot))}
      onChange={(v) => write(slot, v)}
    />
  );
}

/** A distance bound to a slot: kept in kilometres, typed as the shop counts. */
export function SlotDistance({ slot, label, max }: { slot: string; label: string; max: number }) {
  const { write, keepName, terms } = useBench();
  const { distance } = terms;
  const stored = asNumber(useSlot(slot));
  return (
    <NumberInput
      label={label}
      unit={distance}
      min={0}
      max={inDistance(max, distance)}
      keep={keepName(slot)}
      pause
      value={stored === undefined ? undefined : readingIn(stored, distance)}
      onChange={(v) => write(slot, v === null ? null : readingKm(v, distance))}
    />
  );
}

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
  const stored = useSlot(props.slot);
  return (
    <Stack $gap={4}>
      {!props.hideLabel && <FieldLabel as="span">{props.label}</FieldLabel>}
      <Choice
        label={props.label}
        tall={props.tall}
        value={props.options.find((o) => o.value === stored)?.value}
        options={props.options}
        onChange={(v) => write(props.slot, v)}
      />
    </Stack>
  );
}

/** What an object slot holds. */
type ObjectAt<S extends string> = Extract<ValueAt<S>, { [key: string]: unknown }>;

/** An object slot and a way to change some of its fields; the others keep their values. Null clears the slot. */
export function useObjectSlot<S extends string>(
  slot: S,
): [Partial<ObjectAt<S>>, (patch: { [K in keyof ObjectAt<S>]?: ObjectAt<S>[K] | null } | null) => void] {
  const { write, now } = useBench();
  const value = asFields(useSlot(slot)) as Partial<ObjectAt<S>>;
  const change = (patch: { [key: string]: unknown } | null) => {
    if (patch === null) return write(slot, null);
    // From the record as it stands at this moment: two fields left at once must not undo each other.
    const kept = Object.entries({ ...asFields(now(slot)), ...patch }).filter(
      ([, v]) => v !== undefined && v !== null,
    );
    write(slot, kept.length ? (Object.fromEntries(kept) as Json) : null);
  };
  return [value, change];
}

const asText = (value: Json | undefined) => (typeof value === 'string' ? value : '');
const asNumber = (value: Json | undefined) => (typeof value === 'number' ? value : undefined);
const asFields = (value: unknown): { [key: string]: Json } =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
    ? (value as { [key: string]: Json })
    : {};

/** Text bound to one field of an object slot. */
export function ObjectText(props: { slot: string; field: string; label: string; maxLength: number }) {
  const [value, change] = useObjectSlot(props.slot);
  return (
    <TextInput
      label={props.label}
      maxLength={props.maxLength}
      keep={useBench().keepName(`${props.slot}.${props.field}`)}
      pause
      value={asText(value[props.field])}
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
  const [value, change] = useObjectSlot(props.slot);
  const { slot, field, ...rest } = props;
  return (
    <NumberInput
      {...rest}
      keep={useBench().keepName(`${slot}.${field}`)}
      pause
      value={asNumber(value[field])}
      onChange={(v) => change({ [field]: v })}
    />
  );
}
