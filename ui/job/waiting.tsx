'use client';
import { usePathname } from 'next/navigation';
import styled from 'styled-components';
import { Mark } from '@/ui/system';
import { Body, Header, Home, Main, Title, Words } from './bar';
import { StageRail } from './rail';

const Blank = styled.div`
  min-height: 70vh;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
`;

/** The sheet a stage will stand on, while its code arrives. */
export function StageWaiting() {
  return <Blank aria-busy aria-label="Opening" role="status" />;
}

/** A job's page before the job is read: the frame it comes in, where everything will stand. */
export function JobWaiting({ number }: { number: string }) {
  const current = usePathname().split('/').at(-1) ?? '';
  return (
    <>
      <Header data-noprint>
        <Home href="/" aria-label="All jobs">
          <Mark />
        </Home>
        <div>
          <Title>Job {number}</Title>
          <Words>&nbsp;</Words>
        </div>
      </Header>
      <StageRail number={number} current={current} />
      <Body $panel={false}>
        <Main id="main" tabIndex={-1}>
          <StageWaiting />
        </Main>
      </Body>
    </>
  );
}
