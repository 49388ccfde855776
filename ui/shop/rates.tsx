'use client';
import type { LabourRate } from '@/core/unit';
import { Fields, Section, Stack } from '@/ui/system';
import { useDraft } from './draft';
import { Money, Percent } from './fields';

const RATE_WORDS: Record<LabourRate, string> = {
  bench: 'At the bench',
  vehicle: 'On the vehicle',
  diagnosis: 'Diagnosis and electrics',
  machining: 'Lathe and press',
};

/** What is fitted beside the unit; nothing is agreed in each job. */
const FITTED = [
  { key: 'outside-cooler', label: 'External cooler' },
  { key: 'outside-filter', label: 'In-line filter' },
];

export function Rates() {
  const { terms, change } = useDraft();
  const { rates, supplies } = terms;
  return (
    <Section title="Rates" note="What is charged. Prices of parts stand in the price book.">
      <Stack $gap={16}>
        <Fields>
          {(Object.keys(RATE_WORDS) as LabourRate[]).map((kind) => (
            <Money
              key={kind}
              label={RATE_WORDS[kind]}
              per="an hour"
              value={rates[kind]}
              onChange={(v) => change({ rates: { ...rates, [kind]: v } })}
            />
          ))}
        </Fields>
        <Fields>
          <Money
            label="Fluid"
            per="a litre"
            value={terms.fluidPerLitre}
            onChange={(v) => change({ fluidPerLitre: v })}
          />
          <Money
            label="Licensed disposal"
            per="a repair"
            value={terms.waste}
            onChange={(v) => change({ waste: v })}
          />
          {FITTED.map(({ key, label }) => (
            <Money
              key={key}
              label={label}
              per="fitted"
              value={terms.outside[key] ?? 0}
              onChange={(v) => change({ outside: { ...terms.outside, [key]: v } })}
            />
          ))}
          <Percent
            label="Shop supplies, of parts and labour"
            value={supplies.rate}
            onChange={(rate) => change({ supplies: { ...supplies, rate } })}
          />
          <Money
            label="Shop supplies, at most"
            value={supplies.cap}
            onChange={(cap) => change({ supplies: { ...supplies, cap } })}
          />
        </Fields>
        <Fields>
          <Money
            label="An hour costs the shop"
            description="For the margin; nobody else sees it"
            value={terms.costPerHour}
            onChange={(v) => change({ costPerHour: v })}
          />
          <Percent
            label="Price of parts over cost"
            max={2000}
            description="Where the price book has no cost"
            value={terms.partsMarkup}
            onChange={(v) => change({ partsMarkup: v })}
          />
        </Fields>
      </Stack>
    </Section>
  );
}
