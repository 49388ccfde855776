'use client';
import { Trash2 } from 'lucide-react';
import { TAX_BASES, ROUNDINGS, writtenMoney } from '@/core/shop';
import type { ShopTerms, TaxBase } from '@/core/shop';
import { Button, Caption, Choice, FieldLabel, Fields, Line, Section, Stack, TextInput } from '@/ui/system';
import { useDraft } from './draft';
import { Percent, Plain } from './fields';

const BASE_WORDS: Record<TaxBase, string> = {
  parts: 'parts',
  labour: 'labour',
  fluid: 'fluid',
  supplies: 'supplies',
  waste: 'disposal',
  deposits: 'core deposits',
};

export function Taxes() {
  const { terms, change, round } = useDraft();
  const { taxes } = terms;
  const put = (k: number, patch: Partial<ShopTerms['taxes'][number]>) =>
    change({ taxes: taxes.map((t, n) => (n === k ? { ...t, ...patch } : t)) });
  return (
    <Section title="Taxes and rounding" note="Each tax is worked out once on all it is on.">
      <Stack $gap={18}>
        {taxes.map((tax, k) => (
          <Stack key={k} $gap={8}>
            <Line $gap={14} style={{ alignItems: 'end' }}>
              <TextInput
                key={round}
                label="Called"
                value={tax.name}
                maxLength={40}
                pause
                onChange={(name) => put(k, { name })}
              />
              <Percent label="Rate" value={tax.rate} onChange={(rate) => put(k, { rate })} />
              <Button
                $kind="quiet"
                aria-label={`Remove ${tax.name}`}
                onPress={() => change({ taxes: taxes.filter((_, n) => n !== k) })}
              >
                <Trash2 size={18} aria-hidden />
              </Button>
            </Line>
            <Line $gap={4}>
              <Caption as="span">on</Caption>
              {TAX_BASES.map((base) => (
                <Button
                  key={base}
                  $small
                  $kind={tax.on.includes(base) ? 'main' : undefined}
                  aria-pressed={tax.on.includes(base)}
                  onPress={() => {
                    const on = tax.on.includes(base) ? tax.on.filter((b) => b !== base) : [...tax.on, base];
                    if (on.length) put(k, { on });
                  }}
                >
                  {BASE_WORDS[base]}
                </Button>
              ))}
            </Line>
          </Stack>
        ))}
        <div>
          <Button
            $small
            isDisabled={taxes.length >= 6}
            onPress={() => change({ taxes: [...taxes, { name: 'Tax', on: ['parts', 'labour'], rate: 0 }] })}
          >
            Add a tax
          </Button>
        </div>
        <Fields>
          <div>
            <FieldLabel as="span">Totals are rounded to</FieldLabel>
            <Choice
              label="Totals are rounded to"
              value={String(terms.roundTo)}
              options={ROUNDINGS.map((r) => ({ value: String(r), label: writtenMoney(r, terms.currency) }))}
              onChange={(v) => change({ roundTo: ROUNDINGS.find((r) => String(r) === v) ?? 1 })}
            />
          </div>
          <Percent
            label="Down payment"
            value={terms.downPayment}
            onChange={(v) => change({ downPayment: v })}
          />
          <Plain
            label="A quote holds for"
            unit="days"
            min={1}
            max={365}
            whole
            value={terms.quoteValidDays}
            onChange={(v) => change({ quoteValidDays: v })}
          />
        </Fields>
      </Stack>
    </Section>
  );
}
