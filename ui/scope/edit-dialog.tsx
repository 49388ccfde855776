'use client';
import { useState } from 'react';
import { linePrice } from '@/core/quote';
import { formatMoney } from '@/core/shop';
import type { ShopTerms } from '@/core/shop';
import type { ScopeLine } from '@/core/scope';
import { useBench } from '@/ui/job/provider';
import {
  Choice,
  Dialog,
  DialogFoot,
  forgetTyping,
  Line,
  MoneyInput,
  NumberInput,
  Stack,
  TextInput,
} from '@/ui/system';

/** A change asked for: to a line of the scope, or a line of one's own. */
export type Edit = { line: ScopeLine; change: 'change' | 'remove' } | { line: null; change: 'add' };

/** What is done with a part; relining is the converter's. */
const PART_ACTIONS = ['reuse', 'clean', 'measure', 'machine', 'reline', 'replace', 'upgrade'] as const;
const ACTIONS = PART_ACTIONS.map((value) => ({ value, label: value[0]!.toUpperCase() + value.slice(1) }));

/** What is typed about a line, and how it is kept. */
function useLineEdit(edit: Edit, onClose: () => void) {
  const { write, keepName, now } = useBench();
  const before = edit.line ? now(`scope.line.${edit.line.key}`) : undefined;
  const kept = (field: string) => keepName(`scope ${edit.line?.key ?? 'own'} ${edit.change} ${field}`);
  const [reason, setReason] = useState('');
  const [name, setName] = useState(edit.line?.name ?? '');
  const [action, setAction] = useState<ScopeLine['action']>(edit.line?.action ?? 'replace');
  const [quantity, setQuantity] = useState(edit.line?.quantity ?? 1);
  // What nobody typed follows from the action: the price of what was done before is none of its.
  const [price, setPrice] = useState<number | null>(before?.price ?? null);
  const [hours, setHours] = useState<number | null>(before?.hours ?? null);
  const removing = edit.change === 'remove';
  const labour = edit.line?.kind === 'labour';
  const ready = reason.trim() !== '' && (edit.line !== null || name.trim() !== '');
  const keep = () => {
    const key = edit.line?.key ?? `own-${crypto.randomUUID().slice(0, 8)}`;
    const values = removing
      ? {}
      : {
          ...(edit.line === null || action !== edit.line.action || edit.line.edited ? { action } : {}),
          ...(edit.line === null || quantity !== edit.line.quantity || edit.line.edited ? { quantity } : {}),
          ...(edit.line ? {} : { name: name.trim() }),
          ...(price === null || labour ? {} : { price }),
          ...(hours === null ? {} : { hours }),
        };
    write(`scope.line.${key}`, {
      change: edit.line?.edited === 'add' && !removing ? 'add' : edit.change,
      reason: reason.trim(),
      ...values,
    });
    forgetTyping(kept('reason'));
    forgetTyping(kept('name'));
    onClose();
  };
  return {
    kept,
    ready,
    keep,
    removing,
    labour,
    reason: { value: reason, onChange: setReason },
    name: { value: name, onChange: setName },
    action: { value: action, onChange: (v: ScopeLine['action'] | null) => v && setAction(v) },
    quantity: { value: quantity, onChange: (v: number | null) => setQuantity(v ?? 1) },
    price: { value: price, onChange: setPrice },
    hours: { value: hours ?? undefined, onChange: setHours },
  };
}

/** Asks what to change about a line, and why: the reason is kept. */
export function EditDialog({ edit, onClose }: { edit: Edit; onClose: () => void }) {
  const { terms, unit } = useBench();
  const { kept, ready, keep, removing, labour, ...field } = useLineEdit(edit, onClose);
  const fluid = edit.line?.kind === 'fluid';
  const converter = edit.line?.of === unit.converter.part;
  const usual = edit.line && edit.line.kind !== 'outside' ? usualPrice(edit.line, terms) : null;
  const titles = {
    add: 'Add a line',
    change: `Change: ${edit.line?.name}`,
    remove: `Take out: ${edit.line?.name}`,
  };
  return (
    <Dialog title={titles[edit.change]} isOpen onClose={onClose}>
      <Stack $gap={14}>
        {!edit.line && <TextInput label="Part or work" keep={kept('name')} {...field.name} maxLength={160} />}
        {!removing && !labour && !fluid && edit.line?.kind !== 'outside' && (
          <Choice
            label="Action"
            options={ACTIONS.filter((a) => a.value !== 'reline' || converter)}
            {...field.action}
          />
        )}
        {!removing && (
          <Line style={{ alignItems: 'start' }}>
            <NumberInput
              label="Quantity"
              unit={fluid ? 'l' : ''}
              min={fluid ? 0.1 : 1}
              max={99}
              whole={!fluid}
              {...field.quantity}
            />
            {!labour && (
              <MoneyInput
                label={fluid ? 'Price a litre' : 'Unit price'}
                description={usual === null ? undefined : `left open: ${formatMoney(usual, terms.currency)}`}
                currency={terms.currency}
                {...field.price}
              />
            )}
            {(labour || !edit.line) && (
              <NumberInput
                label="Hours"
                description={edit.line ? `left open: ${edit.line.hours} h` : undefined}
                unit="h"
                min={0}
                max={200}
                {...field.hours}
              />
            )}
          </Line>
        )}
        <TextInput
          label="Reason (kept on record)"
          keep={kept('reason')}
          {...field.reason}
          lines={2}
          maxLength={500}
        />
        <DialogFoot
          words={removing ? 'Take out' : 'Keep'}
          isDisabled={!ready}
          onPress={keep}
          onClose={onClose}
        />
      </Stack>
    </Dialog>
  );
}

/** What one costs where no price is typed; null where that goes by the action. */
function usualPrice(line: ScopeLine, terms: ShopTerms): number | null {
  return line.kind === 'labour' || line.price === null ? null : linePrice(line, terms);
}
