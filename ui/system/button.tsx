'use client';
import { Button as AriaButton } from 'react-aria-components';
import styled, { css } from 'styled-components';

const look = css<{ $kind?: 'main' | 'plain' | 'quiet' | 'frame'; $small?: boolean }>`
  display: inline-flex;
  align-items: center;
  justify-content: center;
  gap: 8px;
  min-height: 44px;
  min-width: 44px;
  padding: 0 ${(p) => (p.$small ? 10 : 16)}px;
  border-radius: 3px;
  border: 1.5px solid var(--rule-strong);
  background: var(--sheet);
  color: var(--ink);
  font-weight: 600;
  font-stretch: 96%;
  text-decoration: none;
  cursor: pointer;
  white-space: nowrap;
  @media (max-width: 600px) {
    white-space: normal;
    max-width: 100%;
  }
  &[data-hovered],
  &:hover {
    border-color: var(--ink);
  }
  &[data-pressed],
  &:active {
    transform: translateY(1px);
  }
  &[data-disabled],
  &:disabled {
    opacity: 0.45;
    cursor: default;
  }
  ${(p) =>
    p.$kind === 'main' &&
    css`
      background: var(--accent);
      border-color: var(--accent);
      color: var(--accent-ink);
    `}
  ${(p) =>
    p.$kind === 'quiet' &&
    css`
      background: transparent;
      border-color: transparent;
      color: var(--accent);
    `}
  ${(p) =>
    p.$kind === 'frame' &&
    css`
      background: transparent;
      border-color: var(--frame-rule);
      color: var(--frame-ink);
      &[data-hovered],
      &:hover {
        border-color: var(--frame-ink);
      }
    `}
`;

export const Button = styled(AriaButton)<{ $kind?: 'main' | 'plain' | 'quiet' | 'frame'; $small?: boolean }>`
  ${look}
`;
export const ButtonLink = styled.a<{ $kind?: 'main' | 'plain' | 'quiet' | 'frame'; $small?: boolean }>`
  ${look}
`;
