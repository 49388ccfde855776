'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { isBought } from '@/core/scope';
import type { Scope, ScopeLine } from '@/core/scope';
import { useSlots } from '@/ui/job/provider';
import { Button, Section } from '@/ui/system';

/** Comes with the first question: most looks at a scope ask nobody. */
const Sources = dynamic(() => import('./sources').then((m) => m.Sources), { ssr: false });

/** What is bought by itself: what a kit holds comes with it. */
const boughtLines = (scope: Scope): ScopeLine[] =>
  scope.lines.filter((l) => l.kind === 'part' && l.of !== null && isBought(l.action) && !l.inKit);

/** Where the parts come from: the price book, until somebody asks. */
export function SourcesFold({ scope }: { scope: Scope }) {
  const chosen = useSlots('scope.source.').length > 0;
  const [asking, setAsking] = useState(false);
  const lines = boughtLines(scope);
  if (lines.length === 0 && !chosen) return null;
  return (
    <Section
      wide
      title="Where the parts come from"
      note="As the price book has them, until something else is chosen here. Prices are what the customer pays."
    >
      {asking || chosen ? (
        <Sources lines={lines} asking={asking} />
      ) : (
        <Button onPress={() => setAsking(true)}>
          Ask the suppliers about {lines.length} {lines.length === 1 ? 'part' : 'parts'}, and look on the
          shelf
        </Button>
      )}
    </Section>
  );
}
