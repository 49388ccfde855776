'use client';
import { useMemo, useState } from 'react';
import type { ReactNode } from 'react';
import styled from 'styled-components';
import { LibraryFrame } from '@/ui/library/frame';
import { Caption, Page, PageIndex, Section, Stack, TextInput } from '@/ui/system';
import type { CauseEntry, KnowledgeView, Leads, MechanismEntry, ObservationEntry } from './view';

const Entries = styled.ol`
  display: grid;
  > li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
    gap: 4px 32px;
    padding: 12px 0 14px;
    border-top: 1px solid var(--rule);
  }
  > li:first-child {
    border-top: 0;
    padding-top: 2px;
  }
  b {
    font-weight: 620;
    line-height: 1.25;
  }
  p {
    color: var(--ink-soft);
    line-height: 1.35;
  }
  @media (max-width: 760px) {
    > li {
      grid-template-columns: minmax(0, 1fr);
    }
  }
`;
const Figures = styled.ul`
  display: grid;
  gap: 3px;
  align-content: start;
  font-size: 0.9375rem;
  line-height: 1.25;
  li {
    display: grid;
    grid-template-columns: 46px 64px minmax(0, 1fr);
    gap: 9px;
    align-items: center;
  }
  li > span:first-child {
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
  li[data-plain] {
    grid-template-columns: 119px minmax(0, 1fr);
  }
`;
const Answers = styled.table`
  border-collapse: collapse;
  font-size: 0.9375rem;
  width: 100%;
  td,
  th {
    padding: 1px 12px 1px 0;
    text-align: left;
    font-weight: 400;
  }
  th {
    color: var(--ink-soft);
  }
  td:not(:first-child),
  th:not(:first-child) {
    width: 110px;
    text-align: right;
    font-variant-numeric: tabular-nums;
  }
`;

const SECTIONS = ['How to read it', 'Causes', 'What they do', 'What shows them'];

/** Everything Pelvik reasons with, open: causes, what they do, and what shows them, with strengths and reasons. */
export function KnowledgePage({ view }: { view: KnowledgeView }) {
  const [words, setWords] = useState('');
  const found = useMemo(() => matching(view, words), [view, words]);
  return (
    <LibraryFrame title="What Pelvik knows">
      <Page>
        <PageIndex titles={SECTIONS} />
        <Section title="How to read it">
          <Stack>
            <p>
              The strengths are estimates of people who take transmissions apart, not measured rates. An
              answer with 5 % and 70 % is met in 5 of 100 units where what it tells of is not so, and in 70 of
              100 where it is. What follows from construction (which gears, which element first, who fights
              whom) is not stated here; it is worked out for each unit.
            </p>
            <div style={{ maxWidth: 420 }}>
              <TextInput
                label="Find: seal, blue pins, overload …"
                value={words}
                onChange={setWords}
                maxLength={80}
              />
            </div>
            <Caption role="status">
              {found.causes.length} causes, {found.mechanisms.length} things they do,{' '}
              {found.observations.length} that show them
            </Caption>
          </Stack>
        </Section>
        <Section
          title="Causes"
          note="The share of each among all, where a unit has each once; a unit’s weak points raise it."
        >
          <Entries>
            {found.causes.map((c) => (
              <Cause key={c.id} cause={c} />
            ))}
          </Entries>
        </Section>
        <Section title="What they do" note="Each is set off by any of those named, or by itself, seldom.">
          <Entries>
            {found.mechanisms.map((m) => (
              <Mechanism key={m.id} mechanism={m} />
            ))}
          </Entries>
        </Section>
        <Section
          title="What shows them"
          note="How often each answer comes where it is not so, and where it is."
        >
          <Entries>
            {found.observations.map((o) => (
              <Observation key={o.id} observation={o} />
            ))}
          </Entries>
        </Section>
      </Page>
    </LibraryFrame>
  );
}

/** What it is, why, how often, and beside it what stands for it in figures. */
function Entry({
  words,
  why,
  note,
  children,
}: {
  words: string;
  why: string;
  note: string | null;
  children: ReactNode;
}) {
  return (
    <li>
      <div>
        <b>{words}</b>
        <p>{why}</p>
        {note && <Caption>{note}</Caption>}
      </div>
      {children}
    </li>
  );
}

function Cause({ cause: { words, why, weight, leadsTo, shows } }: { cause: CauseEntry }) {
  return (
    <Entry words={words} why={why} note={`${(weight * 100).toFixed(1)} % of all`}>
      <Strengths leads={leadsTo} shows={shows} none="It shows in the gears, or not at all." />
    </Entry>
  );
}

function Mechanism({ mechanism: { words, why, leak, from, shows } }: { mechanism: MechanismEntry }) {
  const alone = leak < 0.001 ? 'less than 0.1' : (leak * 100).toFixed(1);
  return (
    <Entry words={words} why={why} note={leak > 0 ? `by itself: ${alone} %` : null}>
      <Strengths leads={from} shows={shows} none="Set off by causes alone." />
    </Entry>
  );
}

function Strengths({
  leads,
  shows,
  none,
}: {
  leads: readonly Leads[];
  shows: readonly string[];
  none: string;
}) {
  if (leads.length + shows.length === 0) return <Caption>{none}</Caption>;
  return (
    <Figures>
      {leads.map(({ words, strength, computed }) => (
        <li key={words}>
          <span>{strength === null ? '' : `${Math.round(strength * 100)} %`}</span>
          <svg width="64" height="9" viewBox="0 0 64 9" aria-hidden>
            <line x1="0" x2="64" y1="8.5" y2="8.5" stroke="var(--rule-strong)" />
            {strength !== null && <rect width={64 * strength} height="8" fill="var(--accent)" />}
          </svg>
          <span>
            {words}
            {computed && <Caption as="span"> {computed}</Caption>}
          </span>
        </li>
      ))}
      {shows.map((words) => (
        <li key={words} data-plain>
          <span>in the gears</span>
          <span>{words}</span>
        </li>
      ))}
    </Figures>
  );
}

function Observation({ observation: { words, on, why, answers } }: { observation: ObservationEntry }) {
  const percent = (p: number) =>
    p < 0.01 || (p > 0.99 && p < 1) ? `${(p * 100).toFixed(1)} %` : `${Math.round(p * 100)} %`;
  return (
    <Entry words={words} why={why} note={`Tells of: ${on}`}>
      <Answers>
        <thead>
          <tr>
            <th scope="col">Answer</th>
            <th scope="col">where not so</th>
            <th scope="col">where so</th>
          </tr>
        </thead>
        <tbody>
          {answers.map((a) => (
            <tr key={a.words}>
              <td>{a.words}</td>
              <td>{percent(a.absent)}</td>
              <td>{percent(a.present)}</td>
            </tr>
          ))}
        </tbody>
      </Answers>
    </Entry>
  );
}

/** Entries in which every typed word begins some word. */
export function matching(view: KnowledgeView, typed: string): KnowledgeView {
  const wanted = split(typed);
  const fits = (...texts: string[]) => {
    const all = texts.flatMap(split);
    return wanted.every((w) => all.some((x) => x.startsWith(w)));
  };
  return {
    causes: view.causes.filter((c) => fits(c.words, c.why, ...c.leadsTo.map((l) => l.words))),
    mechanisms: view.mechanisms.filter((m) => fits(m.words, m.why, ...m.from.map((l) => l.words))),
    observations: view.observations.filter((o) =>
      fits(o.words, o.on, o.why, ...o.answers.map((a) => a.words)),
    ),
  };
}

const split = (text: string) =>
  text
    .toLowerCase()
    .split(/[^\p{L}\p{N}]+/u)
    .filter(Boolean);
