'use client';
import { below } from '@/core/case';
import { tellingFindings } from '@/core/quote';
import { Clips } from './clips';
import { useInspection } from '@/ui/job/use-inspection';
import { ObjectText, SlotText, useObjectSlot } from '@/ui/job/fields';
import { useJob } from '@/ui/job/provider';
import { Button, Caption, FieldLabel, Line, MoneyInput, NumberInput, Stack } from '@/ui/system';
import { Tick } from '@/ui/system/tick';

/** What the counter decides besides the scope: which pictures go along, a discount, and a word to the customer. */
export function QuoteSettings() {
  const { state, write, number, user, terms } = useJob();
  const inspection = useInspection();
  const telling = tellingFindings(inspection, state);
  const photos = below(state, 'photo.');
  const [discount, change] = useObjectSlot('quote.discount');
  if (user.role === 'technician') return null;
  return (
    <details>
      <summary style={{ minHeight: 44, cursor: 'pointer', color: 'var(--accent)' }}>
        Pictures, findings, discount and a word to the customer
      </summary>
      <Stack $gap={16}>
        {photos.length > 0 && (
          <div>
            <FieldLabel as="span">Pictures that go along</FieldLabel>
            <Line $gap={12}>
              {photos.map(([id, photo]) => {
                const slot = `quote.without.${id}` as const;
                const out = state[slot] !== undefined;
                return (
                  <Button
                    key={id}
                    $kind="quiet"
                    aria-pressed={!out}
                    onPress={() => write(slot, out ? null : true)}
                    style={{ height: 'auto', padding: 4, display: 'grid', gap: 2, opacity: out ? 0.45 : 1 }}
                  >
                    <img
                      src={`/api/jobs/${number}/photos/${id}`}
                      alt={photo.caption || 'Photo'}
                      width={120}
                      height={80}
                      style={{ objectFit: 'cover', display: 'block' }}
                    />
                    <small>{out ? 'left out' : 'goes along'}</small>
                  </Button>
                );
              })}
            </Line>
          </div>
        )}
        <Clips />
        {telling.length > 0 && (
          <div>
            <FieldLabel as="span">Findings the customer reads</FieldLabel>
            <ul>
              {telling.map(({ key, words }) => (
                <li key={key}>
                  <Tick
                    isSelected={state[`quote.without.${key}`]?.value !== true}
                    onChange={(on) => write(`quote.without.${key}`, on ? null : true)}
                  >
                    {words}
                  </Tick>
                </li>
              ))}
            </ul>
          </div>
        )}
        <Line $gap={14} style={{ alignItems: 'end' }}>
          <NumberInput
            label="Discount before tax"
            unit="%"
            min={0}
            max={100}
            pause
            value={discount.share === undefined ? undefined : Math.round(discount.share * 10000) / 100}
            onChange={(v) =>
              v === null
                ? change({ share: null, ...(discount.amount === undefined ? { words: null } : {}) })
                : change({ share: v / 100, amount: null, words: discount.words ?? 'Discount' })
            }
          />
          <MoneyInput
            label="or an amount"
            currency={terms.currency}
            pause
            value={discount.amount}
            onChange={(v) =>
              v === null
                ? change({ amount: null, ...(discount.share === undefined ? { words: null } : {}) })
                : change({ amount: v, share: null, words: discount.words ?? 'Discount' })
            }
          />
          {discount.words !== undefined && (
            <ObjectText slot="quote.discount" field="words" label="Why" maxLength={200} />
          )}
        </Line>
        <SlotText slot="quote.note" label="A word to the customer" lines={2} maxLength={2000} />
        <Caption>They hold for the next version that is made.</Caption>
      </Stack>
    </details>
  );
}
