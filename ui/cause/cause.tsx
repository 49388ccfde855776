'use client';
import { useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { valueOf } from '@/core/case';
import type { Cause } from '@/core/diagnosis';
import { findingWords } from '@/core/quote';
import type { CauseCommit } from '@/core/quote';
import { SlotText } from '@/ui/job/fields';
import { useJob, useReasoning } from '@/ui/job/provider';
import { evidenceWords, percent } from '@/ui/job/words';
import { Button, Caption, Line, Notice, Page, Section, Stack, TextInput } from '@/ui/system';
import { ChainMap } from './chain-map';

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
const Ledger = styled.table`
  border-collapse: collapse;
  width: 100%;
  td,
  th {
    padding: 6px 12px 6px 0;
    border-top: 1px solid var(--rule);
    text-align: left;
    font-weight: 400;
  }
  thead th {
    border: 0;
    color: var(--ink-soft);
    font-size: 0.9375rem;
    font-stretch: 92%;
  }
  .bar {
    width: 220px;
  }
  .odds {
    width: 130px;
    text-align: right;
    white-space: nowrap;
  }
`;

/** What broke first, what that did to the rest, and what speaks for and against. The technician has the last word. */
export function CauseStage() {
  const { unit, state } = useJob();
  const { reasoning } = useReasoning();
  const [chosen, setChosen] = useState<string | null>(null);
  if (!reasoning) return <Page>Working it out …</Page>;
  const { diagnosis } = reasoning;
  const commit = valueOf<CauseCommit>(state, 'cause.commit');
  const wanted = chosen ?? commit?.cause;
  const cause = diagnosis.causes.find((c) => c.id === wanted && c.chain.length) ?? diagnosis.causes[0]!;
  return (
    <Page>
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
                <b>{percent(c.probability)}</b>
                <span>{c.words}</span>
              </Candidate>
            </li>
          ))}
        </Candidates>
      </Section>
      <Section wide title="Chain" note="From the first cause on. Dashed: inferred, nobody has seen it.">
        <ChainMap chain={cause.chain} unit={unit} />
      </Section>
      <Section
        title="For and against"
        note="How each finding changes the odds of this candidate against all others."
      >
        <EvidenceLedger cause={cause} />
      </Section>
      <Section title="Left open">
        <LeftOpen cause={cause} />
      </Section>
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

function EvidenceLedger({ cause }: { cause: Cause }) {
  const { unit } = useJob();
  if (cause.evidence.length === 0) return <p>No finding speaks for or against it yet.</p>;
  const most = Math.max(...cause.evidence.map((e) => Math.abs(e.weight)), 1);
  return (
    <Ledger>
      <thead>
        <tr>
          <th scope="col">Finding</th>
          <th scope="col" className="bar">
            Against · for
          </th>
          <th scope="col" className="odds">
            Odds
          </th>
        </tr>
      </thead>
      <tbody>
        {cause.evidence.slice(0, 12).map((e) => (
          <tr key={`${e.point}${e.level}`}>
            <td>
              {evidenceWords(unit, e)}
              {e.caution && <Caption>{e.caution}</Caption>}
            </td>
            <td className="bar">
              <WeightBar share={e.weight / most} />
            </td>
            <td className="odds">{oddsWords(e.weight)}</td>
          </tr>
        ))}
      </tbody>
    </Ledger>
  );
}

function oddsWords(weight: number): string {
  const factor = Math.exp(Math.abs(weight));
  const shown = factor >= 100 ? 'over 100' : factor >= 10 ? factor.toFixed(0) : factor.toFixed(1);
  return `${shown} × ${weight > 0 ? 'likelier' : 'less'}`;
}

/** For to the right, filled; against to the left, open. */
function WeightBar({ share }: { share: number }) {
  const length = Math.min(Math.abs(share), 1) * 96;
  return (
    <svg width="200" height="16" viewBox="0 0 200 16" aria-hidden>
      <line x1="100" x2="100" y1="0" y2="16" stroke="var(--rule-strong)" />
      {share > 0 ? (
        <rect x="100" y="3" width={length} height="10" fill="var(--accent)" />
      ) : (
        <rect
          x={100 - length}
          y="3.5"
          width={length}
          height="9"
          fill="none"
          stroke="var(--bad)"
          strokeWidth="1.8"
        />
      )}
    </svg>
  );
}

function LeftOpen({ cause }: { cause: Cause }) {
  const { unit } = useJob();
  const { reasoning } = useReasoning();
  const { unexplained, nextChecks, causes } = reasoning!.diagnosis;
  const leading = cause.id === causes[0]!.id;
  return (
    <Stack>
      {leading && unexplained.length > 0 && (
        <p>Not explained by it: {unexplained.map((e) => evidenceWords(unit, e).toLowerCase()).join('; ')}.</p>
      )}
      {nextChecks.length > 0 && (
        <div>
          <p>Not looked at yet, and what it could tell:</p>
          <Ledger>
            <tbody>
              {nextChecks.slice(0, 5).map((c) => (
                <tr key={c.point}>
                  <td>{c.words}</td>
                  <td className="odds">{c.gain.toFixed(2)} bit</td>
                  <td className="odds">{c.minutes} min</td>
                </tr>
              ))}
            </tbody>
          </Ledger>
        </div>
      )}
    </Stack>
  );
}

function Commit({ cause, commit }: { cause: Cause; commit: CauseCommit | undefined }) {
  const { write, user } = useJob();
  const { reasoning } = useReasoning();
  const [reason, setReason] = useState(commit?.cause === cause.id ? commit.reason : '');
  const { causes, undetermined } = reasoning!.diagnosis;
  const differs = cause.id !== causes[0]!.id || undetermined;
  const committed =
    commit &&
    (commit.cause === 'not-determined'
      ? 'Not determined'
      : (causes.find((c) => c.id === commit.cause)?.words ?? commit.cause));
  if (user.role === 'counter')
    return <p>{committed ? `Committed: ${committed}.` : 'The technician commits the cause.'}</p>;
  return (
    <Stack>
      {commit && (
        <Notice $tone="good">
          Committed: {committed}
          {commit.reason ? `. ${commit.reason}` : ''}
        </Notice>
      )}
      {commit && commit.cause !== 'not-determined' && commit.cause !== causes[0]!.id && (
        <Notice>
          The findings now put “{causes[0]!.words}” first. What was committed may be out of date.
        </Notice>
      )}
      <TextInput
        label={differs ? 'Reason (needed: it differs from the ranking, or nothing is determined)' : 'Reason'}
        lines={2}
        value={reason}
        onChange={setReason}
        maxLength={2000}
      />
      <Line>
        <Button
          $kind="main"
          isDisabled={differs && !reason.trim()}
          onPress={() => write('cause.commit', { cause: cause.id, contributing: [], reason: reason.trim() })}
        >
          Commit: {cause.words}
        </Button>
        <Button
          isDisabled={!reason.trim()}
          onPress={() =>
            write('cause.commit', { cause: 'not-determined', contributing: [], reason: reason.trim() })
          }
        >
          Not determined
        </Button>
        {commit && (
          <Button $kind="quiet" onPress={() => write('cause.commit', null)}>
            Take back
          </Button>
        )}
      </Line>
    </Stack>
  );
}

function PlainWords() {
  const { unit, state, write } = useJob();
  const { reasoning } = useReasoning();
  const own = valueOf<string>(state, 'cause.words');
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
