'use client';
import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { sayError, send } from '@/ui/net/request';
import { Button, ButtonLink, Caption, Line, Notice, Section, Stack } from '@/ui/system';

/** The price book as a table to work on elsewhere: out as CSV, in as CSV, all of it or nothing. */
export function PriceBook({ count, dirty }: { count: number; dirty: boolean }) {
  const router = useRouter();
  const picker = useRef<HTMLInputElement>(null);
  const [said, setSaid] = useState<{ tone: 'bad' | 'good'; words: string } | null>(null);
  const take = async (file: File) => {
    try {
      const { terms } = await send<{ terms: { prices: unknown[] } }>('PUT', '/api/shop/prices', {
        raw: file,
      });
      setSaid({ tone: 'good', words: `Taken. ${terms.prices.length} parts now have a price of this shop.` });
      router.refresh();
    } catch (error) {
      setSaid({ tone: 'bad', words: sayError(error) });
    }
  };
  return (
    <Section title="Price book" note="Prices, costs, delivery and deposits of parts, for every unit.">
      <Stack $gap={10}>
        <p>
          {count === 0
            ? 'Every part is sold at the price of its unit’s definition.'
            : `${count} ${count === 1 ? 'part has' : 'parts have'} something of this shop’s own.`}
        </p>
        <Line>
          <ButtonLink href="/api/shop/prices" download>
            Export as CSV
          </ButtonLink>
          <Button isDisabled={dirty} onPress={() => picker.current?.click()}>
            Import a CSV
          </Button>
          <input
            ref={picker}
            type="file"
            accept=".csv,text/csv"
            hidden
            aria-label="Price book as CSV"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) void take(file);
            }}
          />
        </Line>
        {dirty && <Caption>Keep or drop the changes on this page first.</Caption>}
        {said && (
          <Notice $tone={said.tone} role="status">
            {said.words}
          </Notice>
        )}
      </Stack>
    </Section>
  );
}
