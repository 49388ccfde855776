'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { burningOrder, marginOrder } from '@/core/powerflow';
import { elementOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { Caption, Line, NumberInput, Section, Stack } from '@/ui/system';
import { Table } from './tables';
import { bar } from './units';

const Under = styled.td<{ $slips: boolean }>`
  && {
    font-weight: 650;
    color: ${(p) => (p.$slips ? 'var(--bad)' : 'inherit')};
  }
`;
const Three = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 28px;
  @media (max-width: 1000px) {
    grid-template-columns: 1fr;
  }
`;

/** Who lets go first, as pressure falls and as torque rises, and what holds under conditions one may choose. */
export function Burning({ unit }: { unit: UnitDefinition }) {
  const [torque, setTorque] = useState(unit.engine.torqueNm);
  const [pressure, setPressure] = useState(100);
  const low = useMemo(() => burningOrder(unit, 'low-pressure'), [unit]);
  const over = useMemo(() => burningOrder(unit, 'overload'), [unit]);
  const chosen = useMemo(
    () => marginOrder(unit, { torqueFactor: torque / unit.engine.torqueNm, pressureShare: pressure / 100 }),
    [unit, torque, pressure],
  );
  if (low.length === 0) return null;
  const name = (id: string) => elementOf(unit, id).name;
  return (
    <Section title="Burning order" note="An element that burnt out of this order had a cause of its own.">
      <Stack $gap={16}>
        <Three>
          <Table>
            <thead>
              <tr>
                <th>As pressure falls</th>
                <th>lets go</th>
              </tr>
            </thead>
            <tbody>
              {low.map((m) => (
                <tr key={m.element}>
                  <th scope="row">{name(m.element)}</th>
                  <td>
                    below {bar(m.letsGoPa)} bar in {m.gear}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
          <Table>
            <thead>
              <tr>
                <th>As torque rises</th>
                <th>lets go</th>
              </tr>
            </thead>
            <tbody>
              {over.map((m) => (
                <tr key={m.element}>
                  <th scope="row">{name(m.element)}</th>
                  <td>
                    above {Math.round(m.letsGoNm)} N·m in {m.gear}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
          <Table>
            <thead>
              <tr>
                <th>As chosen below</th>
                <th data-number>Worst margin</th>
              </tr>
            </thead>
            <tbody>
              {chosen.map((m) => (
                <tr key={m.element}>
                  <th scope="row">{name(m.element)}</th>
                  <Under data-number $slips={m.margin < 1}>
                    {m.margin < 1 ? 'slips, ' : ''}
                    {m.margin.toFixed(2)} in {m.gear}
                  </Under>
                </tr>
              ))}
            </tbody>
          </Table>
        </Three>
        <Line $gap={20}>
          <NumberInput
            label="Engine torque"
            unit="N·m"
            min={1}
            max={5000}
            value={torque}
            onChange={(v) => setTorque(v ?? unit.engine.torqueNm)}
          />
          <NumberInput
            label="Line pressure, of full"
            unit="%"
            min={0}
            max={200}
            value={pressure}
            onChange={(v) => setPressure(v ?? 100)}
          />
          <Caption>
            Margin is capacity ÷ load; gears that start from rest carry {unit.engine.stallTorqueRatio} times
            the engine.
          </Caption>
        </Line>
      </Stack>
    </Section>
  );
}
