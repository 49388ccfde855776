'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';

const Select = styled.select`
  min-height: 44px;
  max-width: 100%;
  padding: 0 10px;
  border: 0;
  border-bottom: 2px solid var(--rule-strong);
  border-radius: 3px 3px 0 0;
  background: var(--inset);
  color: var(--ink);
`;

/** One of many: the device's own list, which thumbs and keyboards know. */
export function Picker(props: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  children: ReactNode;
}) {
  return (
    <Select
      aria-label={props.label}
      value={props.value}
      onChange={(event) => props.onChange(event.target.value)}
    >
      {props.children}
    </Select>
  );
}
