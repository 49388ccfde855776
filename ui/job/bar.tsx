'use client';
import styled from 'styled-components';
import { Link } from '@/ui/system';

/* The dark bar over a job and what stands under it. */
export const Header = styled.header`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr) auto;
  gap: 18px;
  align-items: center;
  padding: 10px 24px 0;
  background: var(--frame);
  color: var(--frame-ink);
  @media (max-width: 900px) {
    grid-template-columns: auto minmax(0, 1fr);
    gap: 4px 12px;
    padding: 8px 14px 0;
  }
`;
export const Home = styled(Link)`
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  color: inherit;
`;
export const Title = styled.h1`
  font-size: 1.25rem;
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
  small {
    font-size: 1rem;
    font-weight: 400;
    font-stretch: 94%;
    color: var(--frame-soft);
  }
`;
export const Words = styled.p`
  font-size: 0.9375rem;
  color: var(--frame-soft);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
`;
export const Right = styled.div`
  display: flex;
  align-items: center;
  gap: 14px;
  font-size: 0.9375rem;
  @media (max-width: 900px) {
    grid-column: 1 / -1;
    flex-wrap: wrap;
    gap: 4px 14px;
  }
  @media (max-width: 480px) {
    gap: 4px 8px;
  }
`;
export const Body = styled.div<{ $panel: boolean }>`
  display: grid;
  grid-template-columns: ${(p) => (p.$panel ? 'minmax(0, 1fr) 312px' : 'minmax(0, 1fr)')};
  gap: 20px;
  max-width: 1600px;
  margin: 0 auto;
  padding: 16px 24px 20px;
  align-items: start;
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
    /* The folded verdict lies over the lower edge. */
    padding: 12px 14px ${(p) => (p.$panel ? 96 : 48)}px;
  }
`;
export const Main = styled.main`
  display: grid;
  gap: 14px;
  min-width: 0;
`;
