'use client';
import styled from 'styled-components';
import { Link } from '@/ui/system';
import { PAGES, STAGE } from '@/core/stage';

const Nav = styled.nav`
  background: var(--frame);
  padding: 8px 24px 0;
  @media (max-width: 760px) {
    padding: 8px 0 0;
  }
`;
/* The stages as steps turned on one shaft: the nearer to the customer, the stouter. */
const List = styled.ol`
  display: grid;
  grid-template-columns: repeat(${PAGES.length}, minmax(0, 1fr));
  align-items: center;
  max-width: 1552px;
  margin: 0 auto;
  /* On a phone the shaft is turned twice: four steps above, four below, none over another. */
  @media (max-width: 760px) {
    grid-template-columns: repeat(4, minmax(0, 1fr));
  }
`;
const Step = styled.li<{ $step: number }>`
  height: ${(p) => 44 + p.$step}px;
  a {
    display: flex;
    align-items: center;
    justify-content: center;
    gap: 8px;
    height: 100%;
    color: var(--frame-ink);
    text-decoration: none;
    font-weight: 550;
    @media (max-width: 760px) {
      font-size: 0.9375rem;
      font-stretch: 88%;
    }
    background: var(--frame-raised);
    border-top: 1px solid var(--frame-rule);
    border-right: 1px solid var(--frame);
    border-bottom: 1px solid var(--frame-rule);
  }
  a:hover {
    background: var(--frame-rule);
  }
  a[aria-current] {
    background: var(--sheet);
    color: var(--ink);
    font-weight: 700;
    box-shadow: inset 0 5px 0 var(--accent);
  }
  a:focus-visible {
    outline-color: #8fb0ff;
    outline-offset: -4px;
  }
`;

export function StageRail({ number, current }: { number: number | string; current: string }) {
  return (
    <Nav aria-label="Stages" data-noprint>
      <List>
        {PAGES.map((stage, k) => (
          <Step key={stage} $step={k % 2 ? 0 : 4}>
            <Link href={`/jobs/${number}/${stage}`} aria-current={stage === current ? 'page' : undefined}>
              {STAGE[stage].name}
            </Link>
          </Step>
        ))}
      </List>
    </Nav>
  );
}
