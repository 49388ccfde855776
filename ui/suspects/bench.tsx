'use client';
import { useMemo } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import { explainTieUp, solveGear } from '@/core/powerflow';
import type { Fault, GearSolution } from '@/core/powerflow';
import { elementOf, gearOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { Caption } from '@/ui/system';

const Gears = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
`;
const Gear = styled(ToggleButton)`
  min-width: 48px;
  height: 44px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  font-weight: 600;
  cursor: pointer;
  &[data-selected] {
    background: var(--ink);
    color: var(--sheet);
    border-color: var(--ink);
    box-shadow: inset 0 -4px 0 var(--accent);
  }
`;
const Torques = styled.table`
  border-collapse: collapse;
  font-size: 0.9375rem;
  td {
    padding: 3px 18px 3px 0;
  }
  td:nth-child(n + 2) {
    text-align: right;
  }
  thead td {
    color: var(--ink-soft);
    font-stretch: 90%;
  }
`;

export function GearPicker({
  unit,
  value,
  onChange,
}: {
  unit: UnitDefinition;
  value: string;
  onChange: (key: string) => void;
}) {
  return (
    <Gears role="group" aria-label="Range and gear">
      {unit.gears.map((gear) => (
        <Gear
          key={gear.key}
          aria-label={gear.name}
          isSelected={gear.key === value}
          onChange={() => onChange(gear.key)}
        >
          {gear.key}
        </Gear>
      ))}
    </Gears>
  );
}

/** The outcome in one sentence, as a driver meets it. */
export function outcomeWords(unit: UnitDefinition, solution: GearSolution, faults: Fault[]): string {
  const gear = gearOf(unit, solution.key);
  if (solution.outcome === 'drive') {
    const pawl = solution.parkPawl === 'driven' ? ', against the parking pawl' : '';
    return `Drives at ${solution.ratio!.toFixed(3)} : 1${pawl}; ${solution.coast === 'brakes' ? 'the engine brakes' : 'freewheels on the overrun'}.`;
  }
  if (solution.outcome === 'neutral')
    return gear.gear === null && gear.range !== 'R' ? 'No drive, as it should be.' : 'No drive.';
  if (solution.outcome === 'slip') return `${elementOf(unit, solution.slipping!).name} slips.`;
  if (solution.outcome === 'output-held') return 'The output is held while the input turns.';
  const { weakest } = explainTieUp(unit, gear, faults);
  const gives = weakest ? ` ${elementOf(unit, weakest).name} is the weakest and slips if any does.` : '';
  return `Ties up: binds, bogs or stalls.${gives}`;
}

/** Torque on every element that carries, per unit of input torque and at full engine torque. */
export function TorqueTable({ unit, gear, faults }: { unit: UnitDefinition; gear: string; faults: Fault[] }) {
  const solution = useMemo(() => solveGear(unit, gear, faults), [unit, gear, faults]);
  const carrying = Object.entries(solution.elements).filter(([, t]) => t === null || t > 0);
  const turbine = unit.engine.torqueNm * (gearOf(unit, gear).launch ? unit.engine.stallTorqueRatio : 1);
  return (
    <div>
      <p>
        <b>{gearOf(unit, gear).name}.</b> {outcomeWords(unit, solution, faults)}
      </p>
      {carrying.length > 0 && (
        <Torques>
          <thead>
            <tr>
              <td>Element</td>
              <td>Share of input torque</td>
              <td>At {turbine} N·m</td>
            </tr>
          </thead>
          <tbody>
            {carrying.map(([id, torque]) => (
              <tr key={id}>
                <td>{elementOf(unit, id).name}</td>
                <td>{torque === null ? 'not determined' : torque.toFixed(3)}</td>
                <td>{torque === null ? '' : `${Math.round(torque * turbine)} N·m`}</td>
              </tr>
            ))}
          </tbody>
        </Torques>
      )}
      <Caption>
        From the tooth counts: speeds by the gear equations, torques by their transpose. Input torque is the
        engine’s {unit.engine.torqueNm} N·m
        {gearOf(unit, gear).launch
          ? `, times ${unit.engine.stallTorqueRatio} in the converter from rest`
          : ''}
        .
      </Caption>
    </div>
  );
}
