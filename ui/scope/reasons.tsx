'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { Link } from '@/ui/system';
import { stageOfIn } from '@/core/inspection';
import { isByCustom } from '@/core/scope';
import type { Reason, ScopeLine } from '@/core/scope';
import { useInspection } from '@/ui/job/use-inspection';
import { useBench } from '@/ui/job/provider';
import { slotWords } from '@/ui/job/slot-words';

const Why = styled.div`
  font-size: 0.9375rem;
  font-stretch: 94%;
  a {
    font-stretch: 88%;
    margin-left: 6px;
    @media (min-width: 601px) {
      white-space: nowrap;
    }
  }
  > div {
    display: flex;
    gap: 8px;
    align-items: center;
    min-height: 38px;
  }
  ul {
    display: grid;
    gap: 4px;
    padding-bottom: 6px;
  }
`;

const More = styled.button`
  flex: none;
  min-width: 44px;
  min-height: 44px;
  border: 0;
  background: none;
  color: var(--ink-soft);
  font-size: 0.8125rem;
  text-decoration: underline dotted var(--rule-strong);
  text-underline-offset: 4px;
  cursor: pointer;
`;

/** What a reason weighs: a person's own, then the cause, then what holds fast, then custom. */
const weightOf = (reason: Reason) =>
  reason.rule === 'technician'
    ? 0
    : reason.rule === 'cause'
      ? 1
      : reason.firm
        ? 2
        : isByCustom(reason)
          ? 4
          : 3;

/** The most telling reason with the finding it rests on, one press away; the others unfold. */
export function Reasons({ line }: { line: ScopeLine }) {
  const [open, setOpen] = useState(false);
  const [first, ...rest] = [...line.reasons].sort((a, b) => weightOf(a) - weightOf(b));
  if (!first) return null;
  return (
    <Why>
      <div>
        <span>
          <Told reason={first} />
        </span>
        {rest.length > 0 && (
          <More
            type="button"
            aria-expanded={open}
            aria-label={
              open ? 'Fewer reasons' : `${rest.length} more ${rest.length === 1 ? 'reason' : 'reasons'}`
            }
            onClick={() => setOpen(!open)}
          >
            {open ? 'less' : `+${rest.length}`}
          </More>
        )}
      </div>
      {open && (
        <ul>
          {rest.map((reason) => (
            <li key={`${reason.rule}${reason.words}`}>
              <Told reason={reason} />
            </li>
          ))}
        </ul>
      )}
    </Why>
  );
}

/** A reason in its words, with the finding it rests on one press away. */
export function Told({ reason }: { reason: Reason }) {
  const { number } = useBench();
  const inspection = useInspection();
  const stageOf = stageOfIn(inspection.catalogue);
  const slot = reason.slots.find((s) => !/^(vehicle|scope)\./.test(s));
  return (
    <>
      {reason.words}
      {slot && <Link href={`/jobs/${number}/${stageOf(slot)}`}>{slotWords(inspection, slot)}</Link>}
    </>
  );
}
