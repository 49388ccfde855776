'use client';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect } from 'react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { valueOf, vehicleName } from '@/core/case';
import { isStage, PAGES, STAGE } from '@/core/stage';
import type { Stage } from '@/core/stage';
import { missingFor } from '@/core/inspection';
import { dayWords, formatMoney } from '@/core/shop';
import { inspectionFor, useInspection } from './use-inspection';
import { SyncBanner } from '@/ui/sync/banner';
import { useSync } from '@/ui/sync/context';
import { keepPages } from '@/ui/sync/version';
import { Button, Link, Mark, Notice, Shortcuts, useUnkept } from '@/ui/system';
import { Body, Header, Home, Main, Right, Title, Words } from './bar';
import { Clashes } from './clashes';
import { Dangers } from './dangers';
import { CloseJob } from './close-job';
import { useBase, useBenchOnceThere, useOpening, useRecord, useSlot } from './provider';
import { StageRail } from './rail';
import { DiagnosisPanel } from './diagnosis-panel';
import { slotWords } from './slot-words';

const Saved = styled.span<{ $kind: string }>`
  display: inline-flex;
  align-items: center;
  gap: 7px;
  color: ${(p) => (p.$kind === 'saved' ? 'var(--frame-soft)' : '#ffd27a')};
  &::before {
    content: '';
    width: 9px;
    height: 9px;
    border: 2px solid currentColor;
    border-radius: ${(p) => (p.$kind === 'offline' || p.$kind === 'refused' ? '0' : '50%')};
    background: ${(p) => (p.$kind === 'saved' ? 'currentColor' : 'transparent')};
  }
`;
const Missing = styled.p`
  font-size: 0.9375rem;
  color: var(--ink-soft);
  b {
    color: var(--ink);
    font-weight: 650;
  }
`;

/** The frame of a job page: who and what, the stages, what is missing, and the verdict beside them. */
export function JobFrame({ children }: { children: ReactNode }) {
  const { number } = useBase();
  const { problem } = useOpening();
  const current = usePathname().split('/').at(-1) ?? '';
  // The sheet is a page of a job and no stage of it.
  const panel = isStage(current) && STAGE[current].diagnosis;
  return (
    <>
      <JobKeys />
      <KeepForOffline />
      <Banner />
      <Header data-noprint>
        <Home href="/" aria-label="All jobs">
          <Mark />
        </Home>
        <WhoAndWhat />
        <Right>
          <Money />
          <Promise />
          <SaveState />
          <Undo />
          <CloseJob />
        </Right>
      </Header>
      <StageRail number={number} current={current} />
      <Body $panel={panel}>
        <Main id="main" tabIndex={-1}>
          <Above stage={current} />
          {children}
        </Main>
        {panel && !problem && <DiagnosisPanel />}
      </Body>
    </>
  );
}

function WhoAndWhat() {
  const { number, unitName } = useBase();
  const { state } = useRecord();
  return (
    <div>
      <Title>
        {vehicleName(state)}{' '}
        <small>
          {unitName}, job {number}
        </small>
      </Title>
      <Words>{valueOf(state, 'complaint.words') ?? 'No complaint written down yet'}</Words>
    </div>
  );
}

function Undo() {
  const { undo } = useRecord();
  return (
    <Button $kind="frame" $small onPress={() => undo?.()} isDisabled={!undo}>
      Undo
    </Button>
  );
}

function Banner() {
  const { number } = useBase();
  const bench = useBenchOnceThere();
  return (
    <SyncBanner
      say={(slot, job) => (bench && job === number ? slotWords(inspectionFor(bench), slot) : null)}
    />
  );
}

/** What is said above the work, as far as the unit is there to say it with. */
function Above({ stage }: { stage: string }) {
  const ready = useBenchOnceThere() !== null;
  const { problem, retry } = useOpening();
  if (ready)
    return (
      <>
        <Dangers />
        <Clashes />
        {isStage(stage) && !STAGE[stage].saysLacks && <StillToDo stage={stage} />}
      </>
    );
  if (!problem) return null;
  return (
    <Notice $tone="bad" role="alert">
      The description of this unit did not arrive. {problem} Nothing typed is lost.{' '}
      <Button $small onPress={retry}>
        Try again
      </Button>
    </Notice>
  );
}

function StillToDo({ stage }: { stage: Stage }) {
  const missing = missingFor(stage, useInspection(), useRecord().state);
  if (!missing) return null;
  return (
    <Missing>
      <b>Still to do here:</b> {missing}
    </Missing>
  );
}

function Promise() {
  const promised = useSlot('job.promised');
  return promised ? <span>Promised {dayWords(promised)}</span> : null;
}

function Money() {
  const { quoted, currency } = useBase();
  if (!quoted) return null;
  return (
    <span>
      <b>{formatMoney(quoted.total, currency)}</b> {quoted.accepted ? 'agreed' : 'quoted'}
    </span>
  );
}

const notSent = (why: string, waiting: number) => (waiting ? `${why}: ${waiting} kept here` : why);

/** How the saving of this job goes. "Saved" never stands beside something that is not. */
function SaveState() {
  const { number } = useBase();
  const { connection, says, aside, waiting } = useSync();
  const unusable = useUnkept();
  const refused = aside.filter((a) => a.job === number).length;
  const [kind, words] =
    connection === 'opening'
      ? ['opening', 'Opening']
      : connection === 'signed-out'
        ? ['signed-out', 'Signed out: kept here']
        : connection === 'offline'
          ? ['offline', notSent(says === null ? 'No connection' : 'Not taken yet', waiting)]
          : refused || unusable
            ? ['refused', 'Not all is kept']
            : waiting
              ? ['saving', 'Saving']
              : ['saved', 'Saved'];
  return (
    <Saved role="status" $kind={kind!} data-status={kind}>
      {words}
      {kind === 'signed-out' && <Link href="/signin">Sign in</Link>}
    </Saved>
  );
}

/** Once the page is quiet, the job's other stages are kept on the device too. */
function KeepForOffline() {
  const { number } = useBase();
  useEffect(() => {
    const timer = setTimeout(
      () => keepPages(['/', ...PAGES.map((stage) => `/jobs/${number}/${stage}`)]),
      3000,
    );
    return () => clearTimeout(timer);
  }, [number]);
  return null;
}

/** Keys of a job's page: the stages in the order of the work, undo, and what the pack editor takes. */
function JobKeys() {
  const { number } = useBase();
  const { undo } = useRecord();
  const router = useRouter();
  const go = (by: number) => {
    // From the address, which is ahead of what is drawn when keys come fast.
    const here = location.pathname.split('/').at(-1) as Stage;
    const to = PAGES[PAGES.indexOf(here) + by];
    if (to) router.push(`/jobs/${number}/${to}`);
  };
  return (
    <Shortcuts
      list={[
        { key: '[', words: 'The stage before', run: () => go(-1) },
        { key: ']', words: 'The next stage', run: () => go(1) },
        { key: 'ctrl+z', words: 'Undo the last change', run: () => undo?.() },
        { key: '← →', words: 'In a pack: the next face; at the powerflow: the next gear' },
        { key: '0–8', words: 'In a pack: paint the face and go on' },
      ]}
    />
  );
}
