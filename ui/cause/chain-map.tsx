'use client';
import { useMemo } from 'react';
import styled from 'styled-components';
import { valueOf } from '@/core/case';
import type { Finding, JobState } from '@/core/case';
import type { ChainStep } from '@/core/diagnosis';
import { findingWords } from '@/core/inspection';
import type { Inspection } from '@/core/inspection';
import { useInspection } from '@/ui/job/use-inspection';
import { useJob } from '@/ui/job/provider';
import { slotWords } from '@/ui/job/slot-words';
import { likelihood } from '@/ui/job/words';
import { layoutChain } from './chain-layout';
import type { MapNode } from './chain-layout';

/** It shrinks to its column down to this; then it is scrolled. */
const SMALLEST = 0.82;

/** A drawing where there is room for one, the same as a list where there is not. */
const Figure = styled.figure`
  > div {
    overflow-x: auto;
  }
  svg {
    display: block;
    height: auto;
  }
  > ol {
    display: none;
  }
  @media (max-width: 719px) {
    > div {
      display: none;
    }
    > ol {
      display: grid;
    }
  }
`;

/** Each step hangs on the one it follows from. */
const Steps = styled.ol`
  gap: 0;
  li {
    position: relative;
    padding: 0 0 14px 26px;
  }
  li::before {
    content: '';
    position: absolute;
    left: 4px;
    top: 6px;
    width: 11px;
    height: 11px;
    border: 1.8px solid var(--ink);
    background: var(--page);
  }
  li[data-kind='first']::before {
    background: var(--ink);
  }
  li[data-kind='inferred']::before {
    border-style: dashed;
  }
  li:not(:last-child)::after {
    content: '';
    position: absolute;
    left: 10px;
    top: 21px;
    bottom: -5px;
    border-left: 1.8px solid var(--ink);
  }
  b {
    display: block;
    font-weight: 620;
    line-height: 1.25;
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.9375rem;
  }
`;

/** The chain drawn from the first cause to what was found; on a narrow screen a list. */
export function ChainMap({ chain }: { chain: ChainStep[] }) {
  const inspection = useInspection();
  const { state } = useJob();
  const { nodes, edges, width, height } = useMemo(
    () => layoutChain(chain, (slot) => saidAt(inspection, state, slot), noteOf),
    [chain, inspection, state],
  );
  const wordsOf = new Map(chain.map((s) => [s.id, s.words]));
  return (
    <Figure>
      <div tabIndex={0} role="group" aria-label="Chain of causes, drawn">
        <svg
          style={{ width: '100%', minWidth: width * SMALLEST, maxWidth: width }}
          viewBox={`0 0 ${width} ${height}`}
          role="img"
          aria-label={`Chain: ${chain.map((s) => s.words).join(', then ')}`}
        >
          <defs>
            <marker
              id="chain-arrow"
              viewBox="0 0 10 10"
              refX="9"
              refY="5"
              markerWidth="7"
              markerHeight="7"
              orient="auto"
            >
              <path d="M0 0 10 5 0 10z" fill="var(--ink)" />
            </marker>
          </defs>
          {edges.map((e) => (
            <path
              key={`${e.from} ${e.to}`}
              d={curve(e.points)}
              fill="none"
              stroke={e.shows ? 'var(--rule-strong)' : 'var(--ink)'}
              strokeWidth={e.shows ? 1.4 : 1.7}
              strokeDasharray={e.shows ? '1.5 4' : undefined}
              strokeLinecap="round"
              markerEnd={e.shows ? undefined : 'url(#chain-arrow)'}
            />
          ))}
          {nodes.map((node) => (
            <Node key={node.id} node={node} />
          ))}
        </svg>
      </div>
      <Steps aria-label="Chain of causes">
        {chain.map((step, k) => (
          <li key={step.id} data-kind={k === 0 ? 'first' : step.slots.length ? 'seen' : 'inferred'}>
            <b>{step.words.charAt(0).toUpperCase() + step.words.slice(1)}</b>
            {step.from.length > 0 && k > 1 && (
              <small>from: {step.from.map((id) => wordsOf.get(id) ?? id).join('; ')}</small>
            )}
            <small>
              {step.slots.length ? `seen: ${listed(inspection, state, step.slots)}` : noteOf(step, k === 0)}
            </small>
          </li>
        ))}
      </Steps>
    </Figure>
  );
}

function noteOf({ slots, probability }: ChainStep, first: boolean): string {
  if (slots.length) return '';
  return first ? 'not looked at itself' : `inferred, ${likelihood(probability)}`;
}

function Node({ node: { x, y, width, height, kind, words, note } }: { node: MapNode }) {
  return (
    <g transform={`translate(${x - width / 2} ${y - height / 2})`}>
      {kind === 'finding' ? (
        <line y1={4} y2={height - 4} stroke="var(--accent)" strokeWidth={3.5} />
      ) : (
        <rect
          width={width}
          height={height}
          rx={2}
          fill={kind === 'first' ? 'var(--ink)' : 'var(--inset)'}
          stroke="var(--ink)"
          strokeWidth={kind === 'seen' ? 1.7 : 1.2}
          strokeDasharray={kind === 'inferred' ? '5 4' : undefined}
        />
      )}
      <foreignObject width={width} height={height}>
        <Box data-kind={kind}>
          <span>{words}</span>
          {note && <small>{note}</small>}
        </Box>
      </foreignObject>
    </g>
  );
}

const Box = styled.div`
  height: 100%;
  padding: 0 10px;
  display: grid;
  align-content: center;
  color: var(--ink);
  font-family: var(--body);
  font-size: 0.875rem;
  line-height: 17px;
  font-stretch: 88%;
  font-weight: 620;
  overflow: hidden;
  &[data-kind='first'] {
    color: var(--sheet);
  }
  &[data-kind='finding'] {
    font-weight: 450;
  }
  small {
    font-size: 0.8125rem;
    font-weight: 450;
    opacity: 0.82;
  }
`;

/** Straight at both ends, so that an arrow meets its box squarely. */
function curve(points: readonly { x: number; y: number }[]): string {
  const [start, ...rest] = points as [{ x: number; y: number }, ...{ x: number; y: number }[]];
  let [d, at] = [`M${start.x} ${start.y}`, start];
  for (const to of rest) {
    const mid = (at.x + to.x) / 2;
    d += `C${mid} ${at.y} ${mid} ${to.y} ${to.x} ${to.y}`;
    at = to;
  }
  return d;
}

/** What a slot says: "Sun shell, crack: seen". */
function saidAt(inspection: Inspection, state: JobState, slot: string): string {
  const named = inspection.named(slot);
  const finding = valueOf(state, slot) as Finding | undefined;
  const words = slotWords(inspection, slot);
  return named && finding ? `${words}: ${findingWords(named.point, finding)}` : words;
}

const LISTED = 3;

function listed(inspection: Inspection, state: JobState, slots: readonly string[]): string {
  const words = [...new Set(slots.map((slot) => saidAt(inspection, state, slot)))];
  const more = words.length - LISTED;
  return more > 1 ? `${words.slice(0, LISTED).join('; ')}; and ${more} more` : words.join('; ');
}
