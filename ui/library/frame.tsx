'use client';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { Link, Mark } from '@/ui/system';

const Top = styled.header`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
  padding: 12px 24px;
  background: var(--frame);
  color: var(--frame-ink);
  h1 {
    font-size: 1.25rem;
    margin-right: auto;
    small {
      font-weight: 400;
      font-size: 1rem;
      color: var(--frame-soft);
      margin-left: 8px;
    }
  }
  > a:first-child {
    color: inherit;
    display: grid;
    place-items: center;
    width: 44px;
    height: 44px;
  }
  @media print {
    background: none;
    color: inherit;
    padding: 0 20px;
  }
  nav {
    display: flex;
    gap: 4px;
    a {
      display: grid;
      place-items: center;
      min-height: 44px;
      padding: 0 10px;
      color: var(--frame-ink);
    }
  }
`;
const Actions = styled.div`
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
`;
const Main = styled.main`
  max-width: 1300px;
  margin: 12px auto;
  padding: 0 20px 40px;
`;

/** The dark head of the library's pages, with the way back and what can be done here. */
export function LibraryFrame(props: {
  title: string;
  aside?: string;
  back?: { href: string; words: string };
  actions?: ReactNode;
  children: ReactNode;
}) {
  return (
    <>
      <Top>
        <Link data-noprint href="/" aria-label="Jobs">
          <Mark />
        </Link>
        <h1>
          {props.title}
          {props.aside && <small>{props.aside}</small>}
        </h1>
        <nav data-noprint aria-label="Ways out">
          <Link href="/">Jobs</Link>
          {props.back && <Link href={props.back.href}>{props.back.words}</Link>}
        </nav>
        <Actions data-noprint>{props.actions}</Actions>
      </Top>
      <Main id="main" tabIndex={-1}>
        {props.children}
      </Main>
    </>
  );
}
