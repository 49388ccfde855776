'use client';
import { useMemo } from 'react';
import styled from 'styled-components';
import { turning } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';

const List = styled.ul`
  columns: 2;
  column-gap: 28px;
  font-size: 0.9375rem;
  li {
    display: flex;
    justify-content: space-between;
    gap: 12px;
    padding: 3px 0;
    border-top: 1px solid var(--rule);
    break-inside: avoid;
  }
  li[data-still] {
    color: var(--ink-soft);
  }
  @media (max-width: 860px) {
    columns: 1;
  }
`;

/** Pinions on their pins, idlers, bearings and open elements: how fast each turns against what holds it, fastest first. */
export function TurningList({ unit, gear, faults }: { unit: UnitDefinition; gear: string; faults: Fault[] }) {
  const list = useMemo(
    () => turning(unit, gear, faults).sort((a, b) => Math.abs(b.speed ?? 0) - Math.abs(a.speed ?? 0)),
    [unit, gear, faults],
  );
  return (
    <List>
      {list.map((t) => (
        <li key={`${t.kind} ${t.id}`} data-still={t.speed === 0 || undefined}>
          <span>{t.name}</span>
          <span>{t.speed === null ? 'free' : t.speed === 0 ? 'still' : Math.abs(t.speed).toFixed(2)}</span>
        </li>
      ))}
    </List>
  );
}
