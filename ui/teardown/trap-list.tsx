'use client';
import styled from 'styled-components';
import { stillInTheWay } from '@/core/inspection';
import type { Station } from '@/core/unit';
import { useJob } from '@/ui/job/provider';
import { Caution, Notice } from '@/ui/system';

const Traps = styled.ul`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(340px, 100%), 1fr));
  gap: 3px 10px;
  padding: 4px 0 0;
  line-height: 1.25;
  p {
    padding-top: 3px;
    padding-bottom: 3px;
    font-size: 0.875rem;
  }
  li.fastener {
    padding: 3px 10px;
    border-left: 4px solid var(--accent);
    background: var(--accent-wash);
    font-size: 0.875rem;
  }
`;

/** What can hurt or be broken here, what holds it, and what is still in the way. */
export function TrapList({ station, out }: { station: Station; out: boolean }) {
  const { unit, state } = useJob();
  const inTheWay = stillInTheWay(unit, state, station).map((s) => s.name);
  if (station.cautions.length + station.fasteners.length + inTheWay.length === 0) return null;
  return (
    <Traps aria-label="Watch out">
      {station.cautions.map((c) => (
        <li key={c}>
          <Caution>{c}</Caution>
        </li>
      ))}
      {station.fasteners.map((f) => (
        <li key={f} className="fastener">
          {f}
        </li>
      ))}
      {inTheWay.length > 0 && (
        <li>
          <Notice>
            {out ? 'Taken out before' : 'Still in the way'}: {inTheWay.join(', ')}.
          </Notice>
        </li>
      )}
    </Traps>
  );
}
