'use client';
import { nameOf } from '@/core/quote';
import { inDistance, kmOf } from '@/core/shop';
import type { Repaired } from '@/core/shop';
import { Fields, Section, Stack, TextInput } from '@/ui/system';
import { useDraft } from './draft';
import { Named, Percent, Plain } from './fields';

const REPAIRED: readonly Repaired[] = ['targeted', 'full', 'upgrade', 'exchange'];

export function Warranties() {
  const { terms, change, round } = useDraft();
  return (
    <Section title="Warranty" note="And how often work comes back in this shop, whatever the cause was.">
      <Stack $gap={16}>
        {REPAIRED.map((repair) => (
          <Named key={repair}>
            <b>{nameOf(repair)}</b>
            <Fields $min={130}>
              <Plain
                label="Months"
                unit=""
                max={120}
                whole
                value={terms.warranty[repair].months}
                onChange={(months) =>
                  change({ warranty: { ...terms.warranty, [repair]: { ...terms.warranty[repair], months } } })
                }
              />
              <Plain
                label="Distance"
                unit={terms.distance}
                max={1_000_000}
                whole
                value={inDistance(terms.warranty[repair].km, terms.distance)}
                onChange={(far) => {
                  const km = kmOf(far, terms.distance);
                  change({ warranty: { ...terms.warranty, [repair]: { ...terms.warranty[repair], km } } });
                }}
              />
              <Percent
                label="Comes back"
                value={terms.workmanship[repair]}
                onChange={(v) => change({ workmanship: { ...terms.workmanship, [repair]: v } })}
              />
            </Fields>
          </Named>
        ))}
        <TextInput
          key={round}
          label="What voids it, one a line"
          lines={4}
          pause
          value={terms.warrantyVoids.join('\n')}
          onChange={(text) =>
            change({
              warrantyVoids: text
                .split('\n')
                .map((l) => l.trim())
                .filter(Boolean)
                .slice(0, 12),
            })
          }
        />
      </Stack>
    </Section>
  );
}
