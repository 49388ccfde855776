'use client';
import { useMemo } from 'react';
import styled from 'styled-components';
import type { Complaint } from '@/core/case';
import { inForwardSense } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { agrees, healthyTable, predict, tellsOfGears } from '@/core/suspects';
import type { BehaviourTable } from '@/core/suspects';
import type { UnitDefinition } from '@/core/unit';
import { BEHAVIOUR_WORDS, CONDITION_WORDS, HEAT_WORDS, NOISE_WORDS } from '@/ui/job/words';
import { Caption, Wide } from '@/ui/system';
import { predictionWords } from './words';

const Rows = styled.table`
  border-collapse: collapse;
  width: 100%;
  th,
  td {
    text-align: left;
    padding: 7px 14px 7px 8px;
    border-top: 1px solid var(--rule);
    vertical-align: top;
  }
  thead th {
    border-top: 0;
    font-weight: 500;
    color: var(--ink-soft);
    font-stretch: 92%;
    font-size: 0.9375rem;
  }
  tbody th {
    font-weight: 650;
  }
  tr[data-shown] {
    background: var(--accent-wash);
  }
  tr[data-changed] td:nth-of-type(2) {
    font-weight: 650;
  }
`;

/** Every range and gear: its ratio as built, what it does with the faults, and what was told of it. */
export function OutcomeRows(props: {
  unit: UnitDefinition;
  faults: Fault[];
  gear: string;
  complaints?: Complaint[];
  table?: BehaviourTable;
}) {
  const { unit, faults, complaints, table } = props;
  const healthy = useMemo(() => healthyTable(unit), [unit]);
  const predictions = useMemo(() => predict(unit, healthy, faults), [unit, healthy, faults]);
  return (
    <Wide>
      <Rows>
        <thead>
          <tr>
            <th scope="col">Gear</th>
            <th scope="col">As built</th>
            {complaints && <th scope="col">Told</th>}
            <th scope="col">
              Computed{faults.length ? (faults.length > 1 ? ' with these faults' : ' with this fault') : ''}
            </th>
            {complaints && <th scope="col">Fit</th>}
          </tr>
        </thead>
        <tbody>
          {predictions.map((p) => {
            const told = (complaints ?? []).filter((c) => c.gear === p.gear);
            const ratio = healthy.outcomes.get(p.gear)!.ratio;
            const judged = table ? tellsOfGears(told) : [];
            const fit = judged.length ? (judged.every((c) => agrees(table!, c, p)) ? 'yes' : 'no') : null;
            return (
              <tr
                key={p.gear}
                data-shown={p.gear === props.gear || undefined}
                data-changed={p.kind !== 'normal' || undefined}
              >
                <th scope="row">{p.gear}</th>
                <td>{ratio === null ? '–' : inForwardSense(unit, ratio).toFixed(3)}</td>
                {complaints && (
                  <td>
                    {told.length ? told.map(toldWords).join('; ') : <Caption as="span">not said</Caption>}
                  </td>
                )}
                <td>{predictionWords(unit, p, faults)}</td>
                {complaints && (
                  <td>
                    <Fit fit={fit} />
                  </td>
                )}
              </tr>
            );
          })}
        </tbody>
      </Rows>
    </Wide>
  );
}

function toldWords({ cell, heat, speaker }: Complaint): string {
  const what = [
    ...cell.behaviours.map((b) => BEHAVIOUR_WORDS[b].toLowerCase()),
    ...(cell.noises ?? []).map((n) => NOISE_WORDS[n].toLowerCase()),
  ].join(', ');
  const aside = [
    heat !== 'any' && HEAT_WORDS[heat].toLowerCase(),
    ...(cell.when ?? []).map((w) => CONDITION_WORDS[w].toLowerCase()),
    cell.delayS !== undefined && `${cell.delayS} s late`,
    speaker === 'shop' && 'verified',
    cell.limp && 'limp gear: set aside',
  ].filter(Boolean);
  return aside.length ? `${what} (${aside.join(', ')})` : what;
}

function Fit({ fit }: { fit: 'yes' | 'no' | null }) {
  if (fit === null) return null;
  return (
    <svg
      width="22"
      height="22"
      viewBox="0 0 22 22"
      role="img"
      aria-label={fit === 'yes' ? 'agrees' : 'disagrees'}
    >
      {fit === 'yes' ? (
        <>
          <circle cx="11" cy="11" r="9" fill="none" stroke="var(--good)" strokeWidth="2" />
          <path d="M7 11l3 4 5-8" fill="none" stroke="var(--good)" strokeWidth="2.2" />
        </>
      ) : (
        <>
          <rect x="2" y="2" width="18" height="18" fill="var(--bad)" />
          <path d="M7 7l8 8M15 7l-8 8" stroke="var(--sheet)" strokeWidth="2.4" />
        </>
      )}
    </svg>
  );
}
