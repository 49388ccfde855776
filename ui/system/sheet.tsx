'use client';
import { useEffect } from 'react';
import type { ReactNode } from 'react';
import styled from 'styled-components';

/** A page of work: side-heads in a margin column, hairlines between, as on a data sheet. */
export const Page = styled.div`
  min-width: 0;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  padding: 0 24px 24px;
  @media (max-width: 600px) {
    padding: 0 14px 18px;
  }
`;

const Row = styled.section<{ $wide?: boolean }>`
  display: grid;
  grid-template-columns: ${(p) => (p.$wide ? 'minmax(0, 1fr)' : '176px minmax(0, 1fr)')};
  gap: ${(p) => (p.$wide ? 12 : 24)}px;
  padding: 18px 0 20px;
  border-top: 1px solid var(--rule);
  /* Under the index of the page, where there is one. */
  scroll-margin-top: 52px;
  &:first-child,
  nav + & {
    border-top: 0;
  }
  @media (max-width: 860px) {
    grid-template-columns: minmax(0, 1fr);
    gap: 10px;
  }
`;
const Head = styled.header`
  display: grid;
  gap: 4px;
  align-content: start;
`;
const Title = styled.h2`
  font-size: 1.125rem;
`;
const Aside = styled.div`
  font-size: 0.875rem;
  color: var(--ink-soft);
  text-wrap: pretty;
`;

/** Where a section of this title stands on its page. */
const sectionId = (title: string) => title.toLowerCase().replaceAll(/[^a-z]+/g, '-');

const Index = styled.nav`
  position: sticky;
  top: 0;
  z-index: 1;
  display: flex;
  flex-wrap: wrap;
  gap: 0 4px;
  margin: 0 -24px;
  padding: 0 24px;
  background: var(--sheet);
  border-bottom: 1px solid var(--rule-strong);
  a {
    display: grid;
    place-items: center;
    min-height: 44px;
    padding: 0 10px;
    color: var(--ink);
    font-size: 0.9375rem;
    font-stretch: 88%;
    text-decoration: none;
  }
  a:hover {
    box-shadow: inset 0 -3px 0 var(--accent);
  }
  @media (max-width: 600px) {
    margin: 0 -14px;
    padding: 0 14px;
    flex-wrap: nowrap;
    overflow-x: auto;
    a {
      white-space: nowrap;
    }
  }
`;

/** The sections of a long page, one press away. */
export function PageIndex({ titles }: { titles: readonly string[] }) {
  // The page is drawn after it was opened: the browser looked for the place before there was one.
  useEffect(() => {
    const { hash } = window.location;
    if (hash) document.getElementById(hash.slice(1))?.scrollIntoView();
  }, []);
  return (
    <Index aria-label="On this page" data-noprint>
      {titles.map((title) => (
        <a key={title} href={`#${sectionId(title)}`}>
          {title}
        </a>
      ))}
    </Index>
  );
}

export function Section(props: { title: string; note?: ReactNode; children: ReactNode; wide?: boolean }) {
  return (
    <Row $wide={props.wide} aria-label={props.title} id={sectionId(props.title)}>
      <Head>
        <Title>{props.title}</Title>
        {props.note && <Aside>{props.note}</Aside>}
      </Head>
      <div>{props.children}</div>
    </Row>
  );
}

export const Fields = styled.div<{ $min?: number }>`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(${(p) => p.$min ?? 180}px, 1fr));
  gap: 14px 20px;
`;

export const Stack = styled.div<{ $gap?: number }>`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: ${(p) => p.$gap ?? 12}px;
  align-content: start;
`;

export const Line = styled.div<{ $gap?: number }>`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: ${(p) => p.$gap ?? 10}px;
  /* Never wider than what it stands in, however long a name in it. */
  min-width: 0;
`;

export const Caption = styled.p`
  font-size: 0.875rem;
  font-stretch: 92%;
  color: var(--ink-soft);
`;

/** A caution stands where the work is: a striped edge, one line. */
export const Caution = styled.p`
  padding: 8px 12px 8px 22px;
  background:
    repeating-linear-gradient(135deg, var(--warn) 0 6px, transparent 6px 12px) 0 0 / 10px 100% no-repeat,
    var(--warn-wash);
  color: var(--ink);
  font-size: 0.9375rem;
`;

/** Something is wrong or stands against a rule. */
export const Notice = styled.p<{ $tone?: 'bad' | 'warn' | 'good' }>`
  padding: 8px 12px;
  border-left: 5px solid var(--${(p) => p.$tone ?? 'warn'});
  background: var(--${(p) => p.$tone ?? 'warn'}-wash);
`;

/** Around a table that may be wider than a phone: it is moved sideways in its own frame, never the page. */
export const Wide = styled.div`
  overflow-x: auto;
`;
