'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Wide } from '@/ui/system';

const Plain = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 0.9375rem;
  th,
  td {
    text-align: left;
    font-weight: 400;
    padding: 6px 14px 6px 0;
    border-top: 1px solid var(--rule);
    vertical-align: top;
  }
  thead th {
    border-top: 0;
    color: var(--ink-soft);
    font-stretch: 92%;
  }
  tbody th {
    font-weight: 600;
  }
  td[data-number],
  th[data-number] {
    text-align: right;
    white-space: nowrap;
  }
  tr[data-head] th {
    padding: 0;
    border-top-color: var(--rule-strong);
  }
  tr[data-head] button {
    display: flex;
    align-items: center;
    gap: 8px;
    width: 100%;
    min-height: 44px;
    padding: 0;
    border: 0;
    background: none;
    color: var(--ink);
    font: inherit;
    text-align: left;
    cursor: pointer;
  }
  tr[data-head] button:hover {
    color: var(--accent);
  }
  small {
    display: block;
    font-weight: 400;
    color: var(--ink-soft);
    font-size: 0.875rem;
  }
`;

/** A plain table of the library's pages: first column reads as the row's name. */
export function Table({ children }: { children: ReactNode }) {
  return (
    <Wide>
      <Plain>{children}</Plain>
    </Wide>
  );
}
