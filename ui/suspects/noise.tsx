'use client';
import { useMemo } from 'react';
import styled from 'styled-components';
import { noiseSources, noiseTable } from '@/core/suspects';
import type { Complaint } from '@/core/case';
import type { NoiseSource } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';
import { Section } from '@/ui/system';

const List = styled.ol`
  li {
    padding: 7px 12px;
    border-top: 1px solid var(--rule);
  }
  li[data-all] {
    border-left: 5px solid var(--accent);
    background: var(--accent-wash);
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

/** Noise in some gears only: what turns, or carries, in just these. Nothing where no noise is reported. */
export function Noise({ unit, complaints }: { unit: UnitDefinition; complaints: Complaint[] }) {
  const table = useMemo(() => noiseTable(unit), [unit]);
  const sources = useMemo(() => noiseSources(table, complaints), [table, complaints]);
  if (sources.length === 0) return null;
  return (
    <Section
      title="Where the noise comes from"
      note="What turns against its pin or race, or carries with its teeth, in the noisy gears and rests in the quiet ones."
    >
      <List>
        {sources.slice(0, 5).map((s) => (
          <li key={`${s.kind} ${s.id}`} data-all={s.disagree.length === 0 || undefined}>
            <b>{s.name}</b>
            <small>{words(unit, s)}</small>
          </li>
        ))}
      </List>
    </Section>
  );
}

function words(unit: UnitDefinition, s: NoiseSource): string {
  const does = s.kind === 'mesh' ? 'carries in' : 'turns in';
  const fit = s.disagree.length ? `does not fit ${s.disagree.join(', ')}` : 'fits every gear told';
  const station = unit.stations.find((x) => x.id === s.station)?.name;
  return `${does} ${s.worksIn.join(', ')}; ${fit}${station ? `. Look at: ${station}` : ''}`;
}
