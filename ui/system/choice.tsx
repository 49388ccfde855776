'use client';
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';

export interface Option<T extends string> {
  value: T;
  label: string;
  tone?: 'bad' | 'warn' | 'good';
}

const Group = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
`;

const Item = styled(ToggleButton)<{ $tone?: 'bad' | 'warn' | 'good'; $tall?: boolean }>`
  min-height: ${(p) => (p.$tall ? 56 : 44)}px;
  padding: 0 14px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font-stretch: 94%;
  cursor: pointer;
  &[data-hovered] {
    border-color: var(--ink);
  }
  &[data-selected] {
    background: ${(p) => (p.$tone ? `var(--${p.$tone}-wash)` : 'var(--ink)')};
    border-color: ${(p) => (p.$tone ? `var(--${p.$tone})` : 'var(--ink)')};
    color: ${(p) => (p.$tone ? `var(--${p.$tone})` : 'var(--sheet)')};
    font-weight: 650;
    box-shadow: inset 0 -4px 0 ${(p) => (p.$tone ? `var(--${p.$tone})` : 'var(--accent)')};
  }
  &[data-disabled] {
    opacity: 0.5;
    cursor: default;
  }
`;

/** One of a few values; pressing the chosen one again clears it. */
export function Choice<T extends string>(props: {
  label: string;
  value: T | undefined;
  options: readonly Option<T>[];
  onChange: (value: T | null) => void;
  tall?: boolean;
  disabled?: boolean;
}) {
  return (
    <Group
      aria-label={props.label}
      selectionMode="single"
      selectedKeys={props.value === undefined ? [] : [props.value]}
      onSelectionChange={(keys) => props.onChange(([...keys][0] as T | undefined) ?? null)}
      isDisabled={props.disabled}
    >
      {props.options.map((option) => (
        <Item key={option.value} id={option.value} $tone={option.tone} $tall={props.tall}>
          {option.label}
        </Item>
      ))}
    </Group>
  );
}
