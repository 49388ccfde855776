'use client';
import styled from 'styled-components';

const Blank = styled.div`
  min-height: 70vh;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
`;

/** The sheet a stage will stand on, while its code arrives. */
export function StageWaiting() {
  return <Blank aria-busy aria-label="Opening" role="status" />;
}
