'use client';
import { Checkbox } from 'react-aria-components';
import styled from 'styled-components';

/** Yes or no, with its words beside it. */
export const Tick = styled(Checkbox)`
  display: inline-flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
  cursor: pointer;
  &::before {
    content: '';
    width: 24px;
    height: 24px;
    border: 2px solid var(--rule-strong);
    border-radius: 3px;
    background: var(--inset);
  }
  &[data-selected]::before {
    background: var(--accent);
    border-color: var(--accent);
    box-shadow: inset 0 0 0 4px var(--sheet);
  }
`;
