'use client';
import { useEffect, useState } from 'react';
import { isBought } from '@/core/scope';
import type { Scope, ScopeLine } from '@/core/scope';
import type { ShelfPiece } from '@/core/shelf';
import { useBench, useSlots } from '@/ui/job/provider';
import { send } from '@/ui/net/request';
import { Button, Line, Section, drawnLater } from '@/ui/system';

/** Comes with the first question: most looks at a scope ask nobody. */
const Sources = drawnLater(() => import('./sources').then((m) => m.Sources));

/** What is bought by itself: what a kit holds comes with it. */
const boughtLines = (scope: Scope): ScopeLine[] =>
  scope.lines.filter((l) => l.kind === 'part' && l.of !== null && isBought(l.action) && !l.inKit);

/** Names of lines a free piece of the shelf would fill; none while nobody can say. */
function useOnShelf(lines: readonly ScopeLine[]): string[] {
  const { unit } = useBench();
  const [free, setFree] = useState<readonly string[]>([]);
  useEffect(() => {
    let alive = true;
    const url = `/api/shelf?unit=${encodeURIComponent(unit.id)}`;
    send<{ pieces: ShelfPiece[] }>('GET', url, { listening: true }).then(
      ({ pieces }) => alive && setFree(pieces.filter((p) => p.heldBy === null).map((p) => p.part)),
      () => undefined,
    );
    return () => {
      alive = false;
    };
  }, [unit.id]);
  return lines.filter((l) => free.includes(l.of!)).map((l) => l.name);
}

/** Where the parts come from: the price book, until somebody asks. */
export function SourcesFold({ scope }: { scope: Scope }) {
  const chosen = useSlots('scope.source.').length > 0;
  const [asking, setAsking] = useState(false);
  const lines = boughtLines(scope);
  const there = useOnShelf(lines);
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
        <Line>
          <Button onPress={() => setAsking(true)}>
            Ask the suppliers about {lines.length} {lines.length === 1 ? 'part' : 'parts'}, and look on the
            shelf
          </Button>
          {there.length > 0 && (
            <span>
              On the shelf: <b>{there.join(', ')}</b>
            </span>
          )}
        </Line>
      )}
    </Section>
  );
}
