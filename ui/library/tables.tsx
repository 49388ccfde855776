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
  }
  small {
    display: block;
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
