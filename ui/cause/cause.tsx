'use client';
import { useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { valueOf } from '@/core/case';
import { PRIOR_JOBS } from '@/core/diagnosis';
import { factWords } from '@/core/facts';
import { findingWords } from '@/core/quote';
import { SlotText } from '@/ui/job/fields';
import { useBench, useJob, useReasoning, useSlot } from '@/ui/job/provider';
import { useInspection } from '@/ui/job/use-inspection';
import { likelihood, NOT_JUDGED } from '@/ui/job/words';
import { Button, Caption, Line, Notice, Page, Section, Stack } from '@/ui/system';
import { ChainMap } from './chain-map';
import { ComebackCompared } from './comeback';
import { Commit } from './commit';
import { EvidenceLedger } from './ledger';
import { WhatIf } from './what-if';

const Candidates = styled.ol`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 6px;
`;
const Candidate = styled(AriaButton)`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 2px 12px;
  align-items: center;
  width: 100%;
  min-height: 60px;
  padding: 8px 12px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  text-align: left;
  line-height: 1.2;
  font-size: 0.9375rem;
  cursor: pointer;
  b {
    font-size: 1.375rem;
    font-weight: 650;
    min-width: 62px;
  }
  &[aria-pressed='true'] {
    border-color: var(--accent);
    background: var(--accent-wash);
    box-shadow: inset 0 -4px 0 var(--accent);
  }
`;
/** A cause that is this much likelier to be there than to have been the first is told so. */
const TOO = 0.1;

/** What broke first, what that did to the rest, and what speaks for and against. The technician has the last word. */
/** A figure, what it is of, and where there is one what would tell. */
const Likely = styled.ol`
  display: grid;
  li {
    display: grid;
    grid-template-columns: 74px minmax(0, 1fr) minmax(0, 1fr);
    gap: 2px 12px;
    align-items: baseline;
    padding: 6px 0;
    border-top: 1px solid var(--rule);
  }
  li:first-child {
    border-top: 0;
    padding-top: 0;
  }
  b {
    font-size: 1.25rem;
    font-weight: 640;
    font-variant-numeric: tabular-nums;
  }
  span:nth-child(2):last-child {
    grid-column: 2 / -1;
  }
  @media (max-width: 640px) {
    li {
      grid-template-columns: 74px minmax(0, 1fr);
    }
    span:nth-child(3) {
      grid-column: 2;
      color: var(--ink-soft);
    }
  }
`;

export function CauseStage() {
  const { state, number } = useJob();
  const earlier = valueOf(state, 'history.comeback');
  const { reasoning, beyond } = useReasoning();
  const [chosen, setChosen] = useState<string | null>(null);
  if (!reasoning)
    return (
      <Page>
        <Section title="Root cause">
          <p aria-busy={!beyond}>{beyond ? NOT_JUDGED : 'Working it out …'}</p>
        </Section>
      </Page>
    );
  const { diagnosis } = reasoning;
  const commit = valueOf(state, 'cause.commit');
  const wanted = chosen ?? commit?.cause;
  const cause = diagnosis.causes.find((c) => c.id === wanted && c.chain.length) ?? diagnosis.causes[0]!;
  const leading = cause.id === diagnosis.causes[0]!.id;
  return (
    <Page>
      {diagnosis.contradictory && <Contradictions />}
      <Section
        title="What lets go"
        note="Over all the reasons it may have: what is certain stands here even where the reason is not."
      >
        <WhatLetsGo />
      </Section>
      <Section
        title="Candidates"
        note={
          diagnosis.undetermined
            ? 'None stands out enough to be called determined.'
            : 'One stands out; the rest stay on record.'
        }
      >
        <Candidates>
          {diagnosis.causes.slice(0, 6).map((c) => (
            <li key={c.id}>
              <Candidate aria-pressed={c.id === cause.id} onPress={() => setChosen(c.id)}>
                <b>{likelihood(c.probability)}</b>
                <span>
                  {c.words}
                  <Ours cause={c.id} />
                  {c.present > c.probability + TOO && <small> (there at all: {likelihood(c.present)})</small>}
                </span>
              </Candidate>
            </li>
          ))}
        </Candidates>
        <CountOurs />
      </Section>
      {leading && diagnosis.upstream.length > 0 && (
        <Section
          title="Who did it"
          note="This candidate names damage; something else must have done it. Worked out without the complaint, which tells of the damage alone."
        >
          <Behind />
        </Section>
      )}
      <Section
        wide
        title="Chain"
        note="From the first cause on; beside each step what was found of it. Dashed: inferred, nobody has seen it."
      >
        <ChainMap chain={cause.chain} />
      </Section>
      <Section
        title="For and against"
        note="How each finding changes the odds of this candidate against all others."
      >
        <EvidenceLedger cause={cause} />
        {leading && diagnosis.unexplained.length > 0 && <Unexplained />}
      </Section>
      <Section
        title="What if this came out"
        note="Not looked at yet, and what it may show. Press an answer to see what would then be thought; nothing is recorded."
      >
        <WhatIf key={cause.id} cause={cause} />
      </Section>
      {earlier !== undefined && earlier !== number && (
        <Section
          title="Then and now"
          note="This job comes back. What was found, renewed and committed the first time."
        >
          <ComebackCompared earlier={earlier} />
        </Section>
      )}
      <Section title="Commit" note="The scope, the quote and the customer’s words stand on it.">
        <Commit key={cause.id} cause={cause} commit={commit} />
      </Section>
      <Section
        title="In plain words"
        note="For the customer. Drafted from the chain; yours once you change it."
      >
        <PlainWords />
      </Section>
    </Page>
  );
}

/** How often the shop's own closed jobs of this unit came down to it. */
function Ours({ cause }: { cause: string }) {
  const { experience } = useBench();
  const off = useSlot('cause.experience') === 'off';
  const count = experience.causes[cause];
  return count && !off ? (
    <small>
      {' '}
      your shop: {count} of {experience.jobs}
    </small>
  ) : null;
}

/** Whether the shop's own closed jobs count into the base rates of this one. */
function CountOurs() {
  const { experience, write } = useBench();
  const off = useSlot('cause.experience') === 'off';
  if (experience.jobs === 0) return null;
  return (
    <Line $gap={16} style={{ marginTop: 10 }}>
      <Caption as="span">
        {off
          ? 'Base rates of the knowledge alone.'
          : `Base rates: the knowledge’s, worth ${PRIOR_JOBS} jobs, and ${experience.jobs} closed of your shop’s on this unit, where the cause was looked at.`}
      </Caption>
      <Button $kind="quiet" $small onPress={() => write('cause.experience', off ? null : 'off')}>
        {off ? 'Count your shop’s own jobs' : 'Leave your shop’s own jobs out'}
      </Button>
    </Line>
  );
}

/** Complaint and findings that cannot both be right, and which findings the rest speaks against. */
function Contradictions() {
  const inspection = useInspection();
  const { contradictions } = useReasoning().reasoning!.diagnosis;
  return (
    <Notice>
      What was told and what was found contradict each other: nothing the unit can have explains both.
      {contradictions.length > 0 &&
        ` The rest speaks against: ${contradictions.map((e) => factWords(inspection, e).toLowerCase()).join('; ')}.`}
    </Notice>
  );
}

function WhatLetsGo() {
  const { groups } = useReasoning().reasoning!.diagnosis;
  if (groups.length === 0) return <p>Nothing that lets go stands out.</p>;
  return (
    <Likely>
      {groups.slice(0, 5).map((g) => (
        <li key={g.id}>
          <b>{likelihood(g.probability)}</b>
          <span>{g.words}</span>
        </li>
      ))}
    </Likely>
  );
}

/** Causes behind the damage that leads, each with the check that settles it. */
function Behind() {
  const { upstream } = useReasoning().reasoning!.diagnosis;
  return (
    <Likely>
      {upstream.slice(0, 8).map((u) => (
        <li key={u.id}>
          <b>{likelihood(u.probability)}</b>
          <span>{u.words}</span>
          <span>{u.check ? `${u.check.words} (${u.check.minutes} min)` : 'Looked at already'}</span>
        </li>
      ))}
    </Likely>
  );
}

/** Findings the leading candidate leaves unexplained. */
function Unexplained() {
  const inspection = useInspection();
  const { unexplained } = useReasoning().reasoning!.diagnosis;
  return (
    <Notice>
      Not explained by it: {unexplained.map((e) => factWords(inspection, e).toLowerCase()).join('; ')}.
    </Notice>
  );
}

function PlainWords() {
  const { unit, state, write } = useJob();
  const { reasoning } = useReasoning();
  const own = valueOf(state, 'cause.words');
  const draft = findingWords(unit, state, reasoning!.diagnosis);
  if (own !== undefined) {
    return (
      <Stack>
        <SlotText slot="cause.words" label="In plain words" hideLabel lines={4} />
        <div>
          <Button $kind="quiet" onPress={() => write('cause.words', null)}>
            Back to the draft
          </Button>
        </div>
      </Stack>
    );
  }
  return (
    <Stack>
      <p>{draft}</p>
      <div>
        <Button onPress={() => write('cause.words', draft)}>Change the words</Button>
      </div>
    </Stack>
  );
}
