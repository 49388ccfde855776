'use client';
import { Fragment, useMemo, useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { solveGear, turbineTorque } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import { elementOf, gearOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { Caption, Wide } from '@/ui/system';
import { Workings } from './workings';
import { marginIn } from './margin';

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  font-size: 0.9375rem;
  td {
    padding: 0 14px 0 0;
    height: 44px;
    border-top: 1px solid var(--rule);
  }
  td:nth-child(n + 2) {
    text-align: right;
  }
  thead td {
    border-top: 0;
    height: 26px;
    color: var(--ink-soft);
    font-stretch: 90%;
  }
  td[colspan] {
    text-align: left;
    height: auto;
    padding: 8px 12px 12px;
    background: var(--inset);
  }
`;
const How = styled(AriaButton)`
  min-height: 44px;
  min-width: 56px;
  border: 0;
  background: none;
  color: var(--accent);
  font-weight: 650;
  cursor: pointer;
  &[aria-expanded='true'] {
    background: var(--inset);
  }
`;

/** Every element that carries: share, torque, margin, each opening to how it is worked out. */
export function TorqueTable({ unit, gear, faults }: { unit: UnitDefinition; gear: string; faults: Fault[] }) {
  const solution = useMemo(() => solveGear(unit, gear, faults), [unit, gear, faults]);
  const [open, setOpen] = useState<string | null>(null);
  const position = gearOf(unit, gear);
  const turbine = turbineTorque(unit, position);
  const carrying = Object.entries(solution.elements).filter(([, t]) => t === null || t > 0);
  return (
    <div>
      {carrying.length === 0 && <p>Nothing carries torque in this gear.</p>}
      {carrying.length > 0 && (
        <Wide>
          <Table>
            <thead>
              <tr>
                <td>Element</td>
                <td>Share</td>
                <td>At {Math.round(turbine)} N·m</td>
                <td>Margin</td>
                <td />
              </tr>
            </thead>
            <tbody>
              {carrying.map(([id, torque]) => {
                const margin = marginIn(unit, gear, id, torque);
                return (
                  <Fragment key={id}>
                    <tr>
                      <td>{elementOf(unit, id).name}</td>
                      <td>{torque === null ? 'not determined' : torque.toFixed(3)}</td>
                      <td>{torque === null ? '' : `${Math.round(torque * turbine)} N·m`}</td>
                      <td>{margin ? <b>{margin.margin.toFixed(2)}</b> : ''}</td>
                      <td>
                        {torque !== null && (
                          <How
                            aria-label={`How: ${elementOf(unit, id).name}`}
                            aria-expanded={open === id}
                            onPress={() => setOpen(open === id ? null : id)}
                          >
                            {open === id ? 'Close' : 'How'}
                          </How>
                        )}
                      </td>
                    </tr>
                    {open === id && torque !== null && (
                      <tr>
                        <td colSpan={5}>
                          <Workings unit={unit} gear={gear} element={id} share={torque} />
                        </td>
                      </tr>
                    )}
                  </Fragment>
                );
              })}
            </tbody>
          </Table>
        </Wide>
      )}
      {solution.split.length > 0 && (
        <Caption>
          {solution.split.map((id) => elementOf(unit, id).name).join(' and ')} stand side by side: how they
          share the torque is not determined; here the friction element carries all.
        </Caption>
      )}
    </div>
  );
}
