'use client';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import type { UnitDefinition } from '@/core/unit';

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

/** Every range and gear; arrow keys step through them. */
export function GearPicker(props: {
  unit: UnitDefinition;
  value: string;
  onChange: (key: string) => void;
  onStep: (by: 1 | -1) => void;
}) {
  return (
    <Gears
      role="group"
      aria-label="Range and gear"
      onKeyDown={(event) => {
        const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
        if (!by) return;
        event.preventDefault();
        props.onStep(by);
      }}
    >
      {props.unit.gears.map((gear) => (
        <Gear
          key={gear.key}
          aria-label={gear.name}
          isSelected={gear.key === props.value}
          onChange={() => props.onChange(gear.key)}
        >
          {gear.key}
        </Gear>
      ))}
    </Gears>
  );
}
