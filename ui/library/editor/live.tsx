'use client';
import { useMemo } from 'react';
import styled from 'styled-components';
import { gearOutcome, inForwardSense } from '@/core/powerflow';
import type { GearOutcome } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import { Caption } from '@/ui/system';
import { Table } from '../tables';
import { placeOf } from './place';
import type { Check } from './use-check';

const Panel = styled.aside`
  position: sticky;
  top: 8px;
  max-height: calc(100vh - 16px);
  overflow: auto;
  padding: 14px 18px 18px;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  h2 {
    font-size: 1.125rem;
    margin-bottom: 6px;
  }
  h2:not(:first-child) {
    margin-top: 18px;
  }
  li {
    padding: 6px 10px;
    border-left: 5px solid var(--bad);
    background: var(--bad-wash);
    margin-bottom: 4px;
    font-size: 0.9375rem;
  }
  li[data-warning] {
    border-color: var(--warn);
    background: var(--warn-wash);
  }
  li b {
    font-weight: 650;
    display: block;
  }
`;

/** What every gear does so far; null where the definition cannot be solved yet. */
export function outcomesOf(unit: UnitDefinition): (GearOutcome | null)[] {
  return unit.gears.map((g) => {
    try {
      return gearOutcome(unit, g.key);
    } catch {
      return null;
    }
  });
}

const OUTCOME = {
  drive: '',
  neutral: 'no drive',
  'tie-up': 'ties up',
  'output-held': 'output held',
  slip: 'slips',
};

/** The ratios as they stand at this moment, and what is still wrong. */
export function Live({
  unit,
  check,
  behind,
}: {
  unit: UnitDefinition;
  check: Check | null;
  behind: boolean;
}) {
  const outcomes = useMemo(() => outcomesOf(unit), [unit]);
  return (
    <Panel aria-label="So far">
      <h2>Ratios so far</h2>
      <Table>
        <tbody>
          {unit.gears.map((g, k) => {
            const got = outcomes[k];
            const idle = g.gear === null && g.range !== 'R';
            return (
              <tr key={g.key}>
                <th scope="row">{g.key}</th>
                <td data-number>{got?.ratio ? inForwardSense(unit, got.ratio).toFixed(3) : ''}</td>
                <td>
                  {!got
                    ? 'not known'
                    : idle && got.outcome === 'neutral'
                      ? 'no drive, as it should be'
                      : OUTCOME[got.outcome]}
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table>
      {unit.gears.every((g) => g.gear === null) && <Caption>Add gears and tick what each applies.</Caption>}
      <h2>
        {!check || behind ? 'Looking it over …' : check.problems.length ? 'To put right' : 'Nothing wrong'}
      </h2>
      <ul aria-live="polite" aria-busy={behind}>
        {check?.problems.slice(0, 8).map((p, k) => (
          <li key={k}>
            <b>{placeOf(unit, p.pointer)}</b>
            {p.message}. {p.remedy}
          </li>
        ))}
        {check?.warnings.slice(0, 6).map((p, k) => (
          <li key={k} data-warning>
            <b>{placeOf(unit, p.pointer)}</b>
            {p.message}. {p.remedy}
          </li>
        ))}
      </ul>
      {check && check.problems.length === 0 && check.warnings.length > 0 && (
        <Caption>What is yellow does not stop you from saving.</Caption>
      )}
    </Panel>
  );
}
