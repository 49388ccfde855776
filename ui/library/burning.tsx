'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { burningOrder, marginOrder } from '@/core/powerflow';
import type { Margin } from '@/core/powerflow';
import { elementOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { Caption, Line, NumberInput, Section, Stack } from '@/ui/system';
import { Table } from './tables';
import { bar } from './units';

const Word = styled.td<{ $bad: boolean }>`
  && {
    font-weight: ${(p) => (p.$bad ? 650 : 400)};
    color: ${(p) => (p.$bad ? 'var(--bad)' : 'inherit')};
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
  return (
    <Section title="Burning order" note="An element that burnt out of this order had a cause of its own.">
      <Stack $gap={16}>
        <Three>
          <Order
            unit={unit}
            title="As pressure falls"
            list={low}
            says={(m) => `lets go below ${bar(m.letsGoPa)} bar in ${m.gear}`}
          />
          <Order
            unit={unit}
            title="As torque rises"
            list={over}
            says={(m) => `lets go above ${Math.round(m.letsGoNm)} N·m in ${m.gear}`}
          />
          <Order
            unit={unit}
            title="Worst margin as chosen below"
            list={chosen}
            says={(m) => `${m.margin < 1 ? 'slips, ' : ''}${m.margin.toFixed(2)} in ${m.gear}`}
            bad={(m) => m.margin < 1}
          />
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

/** One order of the elements, with a word on each. */
function Order(props: {
  unit: UnitDefinition;
  title: string;
  list: Margin[];
  says: (m: Margin) => string;
  bad?: (m: Margin) => boolean;
}) {
  return (
    <Table>
      <thead>
        <tr>
          <th colSpan={2}>{props.title}</th>
        </tr>
      </thead>
      <tbody>
        {props.list.map((m) => (
          <tr key={m.element}>
            <th scope="row">{elementOf(props.unit, m.element).name}</th>
            <Word $bad={props.bad?.(m) ?? false}>{props.says(m)}</Word>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
