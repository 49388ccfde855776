'use client';
import { useState } from 'react';
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';
import type { Cause, CheckResult, NextCheck } from '@/core/diagnosis';
import { answerWords } from '@/core/facts';
import { useInspection } from '@/ui/job/use-inspection';
import { useReasoning } from '@/ui/job/provider';
import { checkTime, likelihood } from '@/ui/job/words';
import { Caption } from '@/ui/system';

const Checks = styled.ol`
  display: grid;
  > li {
    padding: 12px 0 14px;
    border-top: 1px solid var(--rule);
    display: grid;
    gap: 6px;
  }
  p {
    display: flex;
    flex-wrap: wrap;
    gap: 2px 16px;
    justify-content: space-between;
    align-items: baseline;
  }
`;
const Results = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
`;
const Result = styled(ToggleButton)`
  display: flex;
  gap: 9px;
  align-items: baseline;
  min-height: 44px;
  padding: 0 12px;
  line-height: 44px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  color: var(--ink);
  font-size: 0.9375rem;
  cursor: pointer;
  small {
    color: var(--ink-soft);
    font-variant-numeric: tabular-nums;
  }
  &[data-selected] {
    border-color: var(--accent);
    background: var(--accent-wash);
    box-shadow: inset 0 -4px 0 var(--accent);
  }
`;
const Then = styled.table`
  border-collapse: collapse;
  margin: 2px 0 2px 14px;
  td {
    padding: 3px 16px 3px 0;
    vertical-align: baseline;
  }
  td.odds {
    text-align: right;
    white-space: nowrap;
    font-variant-numeric: tabular-nums;
  }
  tr[data-first] td {
    font-weight: 640;
  }
`;

/** Less than this moves nothing anybody would act on. */
const TELLS = 0.005;
const SHOWN = 5;

/** What has not been looked at, what may come out, and what would then be thought: one answer can be tried at a time. */
export function WhatIf({ cause }: { cause: Cause }) {
  const { nextChecks } = useReasoning('checks').reasoning!;
  const [tried, setTried] = useState<{ point: string; level: string } | null>(null);
  if (!nextChecks) return <p aria-busy>Working it out …</p>;
  const telling = nextChecks.filter((c) => c.gain >= TELLS && c.results.length > 1).slice(0, SHOWN);
  if (telling.length === 0) return <p>Nothing still to be looked at would move the ranking much.</p>;
  return (
    <Checks>
      {telling.map((check) => (
        <li key={check.point}>
          <p>
            <b>{check.words}</b>
            <Caption as="span">{checkTime(check)}</Caption>
          </p>
          <Range check={check} cause={cause} />
          <Results
            aria-label={`What if: ${check.words}`}
            selectionMode="single"
            selectedKeys={tried?.point === check.point ? [tried.level] : []}
            onSelectionChange={(keys) => {
              const [level] = [...keys].map(String);
              setTried(level === undefined ? null : { point: check.point, level });
            }}
          >
            {check.results.map((result) => (
              <Answer key={result.level} check={check} result={result} />
            ))}
          </Results>
          {tried?.point === check.point && (
            <Thought result={check.results.find((r) => r.level === tried.level)} />
          )}
        </li>
      ))}
    </Checks>
  );
}

function Answer({ check, result: { level, chance } }: { check: NextCheck; result: CheckResult }) {
  const inspection = useInspection();
  return (
    <Result id={level}>
      {answerWords(inspection, { point: check.point, level })}
      <small>{likelihood(chance)}</small>
    </Result>
  );
}

/** How far the check could carry the candidate that is being looked at. */
function Range({ check, cause }: { check: NextCheck; cause: Cause }) {
  const after = check.results.flatMap((r) => r.then.find((c) => c.id === cause.id)?.probability ?? []);
  if (after.length < check.results.length) return null;
  return (
    <Caption>
      This candidate, {likelihood(cause.probability)} now, would then stand between{' '}
      {likelihood(Math.min(...after))} and {likelihood(Math.max(...after))}.
    </Caption>
  );
}

function Thought({ result }: { result: CheckResult | undefined }) {
  const { causes } = useReasoning().reasoning!.diagnosis;
  if (!result) return null;
  return (
    <Then aria-label="What would then be thought">
      <tbody>
        {result.then.slice(0, SHOWN).map(({ id, probability }, k) => {
          const now = causes.find((c) => c.id === id)!;
          return (
            <tr key={id} data-first={k === 0 || undefined}>
              <td className="odds">
                {likelihood(now.probability)} → {likelihood(probability)}
              </td>
              <td>{now.words}</td>
            </tr>
          );
        })}
      </tbody>
    </Then>
  );
}
