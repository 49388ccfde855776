'use client';
import { useState } from 'react';
import type { ScopeLine } from '@/core/scope';
import { useBench } from '@/ui/job/provider';
import { Button, Choice, Dialog, forgetTyping, Line, NumberInput, Stack, TextInput } from '@/ui/system';

/** A change asked for: to a line of the scope, or a line of one's own. */
export type Edit = { line: ScopeLine; change: 'change' | 'remove' } | { line: null; change: 'add' };

const ACTIONS = (['reuse', 'clean', 'measure', 'machine', 'replace', 'upgrade'] as const).map((value) => ({
  value,
  label: value[0]!.toUpperCase() + value.slice(1),
}));

/** Asks what to change about a line, and why: the reason is kept. */
export function EditDialog({ edit, onClose }: { edit: Edit; onClose: () => void }) {
  const { write, terms, keepName } = useBench();
  const kept = (field: string) => keepName(`scope ${edit.line?.key ?? 'own'} ${edit.change} ${field}`);
  const [reason, setReason] = useState('');
  const [name, setName] = useState(edit.line?.name ?? '');
  const [action, setAction] = useState<ScopeLine['action']>(edit.line?.action ?? 'replace');
  const [quantity, setQuantity] = useState(edit.line?.quantity ?? 1);
  const [price, setPrice] = useState<number | null>(edit.line ? edit.line.price / 100 : null);
  const [hours, setHours] = useState<number | null>(edit.line?.hours || null);
  const removing = edit.change === 'remove';
  const labour = edit.line?.kind === 'labour';
  const ready = reason.trim() !== '' && (edit.line !== null || name.trim() !== '');
  const keep = () => {
    const key = edit.line?.key ?? `own-${crypto.randomUUID().slice(0, 8)}`;
    const values = removing
      ? {}
      : {
          action,
          quantity,
          ...(edit.line ? {} : { name: name.trim() }),
          ...(price === null || labour ? {} : { price: Math.round(price * 100) }),
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
  const titles = {
    add: 'Add a line',
    change: `Change: ${edit.line?.name}`,
    remove: `Take out: ${edit.line?.name}`,
  };
  return (
    <Dialog title={titles[edit.change]} isOpen onClose={onClose}>
      <Stack $gap={14}>
        {!edit.line && (
          <TextInput
            label="Part or work"
            keep={kept('name')}
            value={name}
            onChange={setName}
            maxLength={160}
          />
        )}
        {!removing && !labour && (
          <Choice label="Action" value={action} options={ACTIONS} onChange={(v) => v && setAction(v)} />
        )}
        {!removing && (
          <Line>
            <NumberInput
              label="Quantity"
              unit=""
              min={1}
              max={99}
              whole
              value={quantity}
              onChange={(v) => setQuantity(v ?? 1)}
            />
            {!labour && (
              <NumberInput
                label="Unit price"
                unit={terms.currency}
                min={0}
                max={1000000}
                value={price ?? undefined}
                onChange={setPrice}
              />
            )}
            {(labour || !edit.line) && (
              <NumberInput
                label="Hours"
                unit="h"
                min={0}
                max={200}
                value={hours ?? undefined}
                onChange={setHours}
              />
            )}
          </Line>
        )}
        <TextInput
          label="Reason (kept on record)"
          keep={kept('reason')}
          value={reason}
          onChange={setReason}
          lines={2}
          maxLength={500}
        />
        <Line>
          <Button $kind="main" isDisabled={!ready} onPress={keep}>
            {removing ? 'Take out' : 'Keep'}
          </Button>
          <Button $kind="quiet" onPress={onClose}>
            Cancel
          </Button>
        </Line>
      </Stack>
    </Dialog>
  );
}
