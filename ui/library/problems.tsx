'use client';
import styled from 'styled-components';
import type { Problem } from '@/core/validation';
import { Notice } from '@/ui/system';

/** Why a definition was not taken. */
export interface Failure {
  message: string;
  remedy: string;
  problems: Problem[];
}

const List = styled.ol`
  display: grid;
  gap: 2px;
  margin: 8px 0 16px;
  li {
    padding: 6px 12px;
    background: var(--sheet);
    border-left: 5px solid var(--bad);
  }
  code {
    font: inherit;
    font-weight: 650;
    margin-right: 8px;
    overflow-wrap: anywhere;
  }
  span {
    display: block;
    color: var(--ink-soft);
  }
`;

/** What is wrong with a file: each place by its pointer, with the remedy. */
export function Problems({ failure }: { failure: Failure }) {
  return (
    <div role="alert">
      <Notice $tone="bad">
        {failure.message} {failure.problems.length === 0 && failure.remedy}
      </Notice>
      {failure.problems.length > 0 && (
        <List>
          {failure.problems.slice(0, 20).map((p, k) => (
            <li key={k}>
              <code>{p.pointer || 'The whole file'}</code>
              {p.message}
              <span>{p.remedy}</span>
            </li>
          ))}
        </List>
      )}
    </div>
  );
}
