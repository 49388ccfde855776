'use client';
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';

export interface Option<T extends string> {
  value: T;
  label: string;
  tone?: 'bad' | 'warn' | 'good';
}

const Group = styled(ToggleButtonGroup)<{ $dense?: boolean }>`
  display: flex;
  flex-wrap: wrap;
  gap: ${(p) => (p.$dense ? 3 : 6)}px;
`;

const Item = styled(ToggleButton)<{
  $tone?: 'bad' | 'warn' | 'good';
  $tall?: boolean;
  $dense?: boolean;
  $small?: boolean;
}>`
  min-height: ${(p) => (p.$tall ? 56 : p.$small ? 36 : 44)}px;
  padding: 0 ${(p) => (p.$dense ? 7 : 14)}px;
  ${(p) => p.$dense && 'min-width: 50px; font-size: 0.875rem; font-stretch: 82%; border-width: 1px;'}
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
  /** In a row of many: narrow, close together. */
  dense?: boolean;
  small?: boolean;
  disabled?: boolean;
}) {
  return (
    <Group
      aria-label={props.label}
      selectionMode="single"
      selectedKeys={props.value === undefined ? [] : [props.value]}
      onSelectionChange={(keys) => props.onChange(([...keys][0] as T | undefined) ?? null)}
      isDisabled={props.disabled}
      $dense={props.dense}
    >
      {props.options.map((option) => (
        <Item
          key={option.value}
          id={option.value}
          $tone={option.tone}
          $tall={props.tall}
          $dense={props.dense}
          $small={props.small}
        >
          {option.label}
        </Item>
      ))}
    </Group>
  );
}
