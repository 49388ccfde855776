'use client';
import { ChevronDown, ChevronUp } from 'lucide-react';
import { useState } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { factWords } from '@/core/facts';
import { Button } from '@/ui/system';
import { useInspection } from './use-inspection';
import { checkTime, likelihood, NOT_JUDGED } from './words';
import { useReasoning } from './provider';

const Panel = styled.aside`
  position: sticky;
  top: 12px;
  background: var(--frame);
  color: var(--frame-ink);
  padding: 16px 18px 18px;
  h2 {
    font-size: 1.0625rem;
  }
  p + h2 {
    margin-top: 18px;
  }
  h3 {
    font-size: 0.9375rem;
    margin: 16px 0 4px;
  }
  /* On a tablet held upright and on a phone it lies folded over the lower edge: the leader alone, until it is opened. */
  @media (max-width: 900px) {
    position: fixed;
    inset: auto 0 0 0;
    z-index: 2;
    max-height: 70vh;
    overflow: auto;
    padding: 0 14px 10px;
    border-top: 3px solid #8fb0ff;
    &[data-folded='true'] > :not(:first-child) {
      display: none;
    }
    h2 {
      display: none;
    }
  }
`;
const Fold = styled(AriaButton)`
  display: none;
  @media (max-width: 900px) {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto auto;
    align-items: center;
    gap: 12px;
    width: 100%;
    min-height: 52px;
    padding: 0;
    border: 0;
    background: transparent;
    color: inherit;
    text-align: left;
    cursor: pointer;
    span {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
  }
`;
const List = styled.ol`
  display: grid;
  gap: 11px;
  margin-top: 12px;
`;
const Item = styled.li`
  display: grid;
  gap: 4px;
`;
const Name = styled.span`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  font-size: 0.9375rem;
  line-height: 1.25;
  b {
    font-weight: 700;
    white-space: nowrap;
  }
`;
const Bar = styled.span<{ $share: number }>`
  position: relative;
  height: 7px;
  background: var(--frame-rule);
  &::after {
    content: '';
    position: absolute;
    inset: 0 auto 0 0;
    width: ${(p) => Math.max(p.$share * 100, 0.5)}%;
    background: #8fb0ff;
  }
`;
const Quiet = styled.p`
  font-size: 0.9375rem;
  color: var(--frame-soft);
  h2 + & {
    margin-top: 6px;
  }
`;
const Trouble = styled.div`
  display: grid;
  gap: 8px;
  margin-bottom: 10px;
  padding: 8px 12px;
  border-left: 5px solid #ffd27a;
  font-size: 0.9375rem;
  justify-items: start;
  overflow-wrap: anywhere;
`;
/** What lets go, larger than why. */
const Group = styled.p`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 10px;
  align-items: baseline;
  margin-top: 10px;
  padding: 8px 0 8px 12px;
  border-left: 5px solid #ffd27a;
  font-size: 1.0625rem;
  font-weight: 650;
  line-height: 1.25;
  b {
    font-size: 1.375rem;
    white-space: nowrap;
  }
`;
const Check = styled.p`
  padding: 10px 12px;
  border: 1.5px solid #8fb0ff;
  font-weight: 600;
  small {
    display: block;
    margin-top: 2px;
    font-weight: 400;
    color: var(--frame-soft);
  }
`;

/** Below this what lets go is a guess like the rest. */
const STANDS = 0.5;

/** Travels along from Suspects on: the candidates now, what moved since the last finding, and the next check. */
export function DiagnosisPanel() {
  const { reasoning, beyond, before, problem, retry } = useReasoning('checks');
  const [folded, setFolded] = useState(true);
  const trouble = problem && (
    <Trouble role="alert">
      The verdict could not be worked out: {problem} What you entered is kept.
      <Button $kind="frame" $small onPress={retry}>
        Try again
      </Button>
    </Trouble>
  );
  if (!reasoning) {
    return (
      <Panel aria-label="Verdict" data-noprint aria-busy={!beyond}>
        <h2>What failed first</h2>
        {trouble || <Quiet>{beyond ? NOT_JUDGED : 'Working it out …'}</Quiet>}
      </Panel>
    );
  }
  const { groups, causes, undetermined } = reasoning.diagnosis;
  const next = reasoning.nextChecks?.[0];
  const standing = groups.filter((g) => g.probability >= STANDS).slice(0, 2);
  return (
    <Panel aria-label="Verdict" data-noprint data-testid="diagnosis" data-folded={folded}>
      <Fold aria-expanded={!folded} onPress={() => setFolded(!folded)}>
        <span>{undetermined ? 'Not determined' : (causes[0]?.words ?? 'Nothing stands out')}</span>
        <b>{causes[0] && !undetermined ? likelihood(causes[0].probability) : ''}</b>
        {folded ? <ChevronUp size={22} aria-label="Open" /> : <ChevronDown size={22} aria-label="Fold" />}
      </Fold>
      {trouble}
      {reasoning.diagnosis.contradictory && <Contradiction />}
      {standing.length > 0 && <h2>What lets go</h2>}
      {standing.map((g) => (
        <Group key={g.id}>
          <span>{g.words}</span>
          <b>{likelihood(g.probability)}</b>
        </Group>
      ))}
      <h2>{undetermined ? 'What failed first: not determined' : 'What failed first'}</h2>
      <List>
        {causes.slice(0, 5).map((cause) => {
          const change = cause.probability - (before.get(cause.id) ?? cause.probability);
          return (
            <Item key={cause.id}>
              <Name>
                <span>{cause.words}</span>
                <b>
                  <Trend change={change} />
                  {likelihood(cause.probability)}
                </b>
              </Name>
              <Bar $share={cause.probability} />
            </Item>
          );
        })}
      </List>
      {next && (
        <>
          <h3>Most telling next check</h3>
          <Check>
            {next.words}
            <small>
              {checkTime(next)}
              {next.confirms ? '; looks straight at the leading cause' : ''}
            </small>
          </Check>
        </>
      )}
    </Panel>
  );
}

/** Complaint and findings that cannot both be right. */
function Contradiction() {
  const inspection = useInspection();
  const { contradictions } = useReasoning().reasoning!.diagnosis;
  const against = contradictions.slice(0, 3).map((e) => factWords(inspection, e).toLowerCase());
  return (
    <Trouble role="status">
      What was told and what was found contradict each other{against.length > 0 && `: ${against.join('; ')}`}.
      Check both before anything is ordered.
    </Trouble>
  );
}

/** A shape for rising or falling since the last finding; under one point nothing is shown. */
function Trend({ change }: { change: number }) {
  if (Math.abs(change) < 0.01) return null;
  return (
    <svg width="11" height="11" viewBox="0 0 11 11" role="img" aria-label={change > 0 ? 'rising' : 'falling'}>
      <path
        d={change > 0 ? 'M1 9 5.5 2 10 9z' : 'M1 2h9L5.5 9z'}
        fill={change > 0 ? '#ffd27a' : 'none'}
        stroke="#ffd27a"
        strokeWidth="1.4"
      />
    </svg>
  );
}
