'use client';
import styled from 'styled-components';
import type { ChainStep } from '@/core/diagnosis';
import type { Inspection } from '@/core/inspection';
import { useInspection } from '@/ui/inspection/use-inspection';
import { slotWords } from '@/ui/job/slot-words';
import { percent } from '@/ui/job/words';

const Map = styled.figure`
  overflow-x: auto;
  svg {
    display: block;
  }
  text {
    font-family: var(--body);
  }
`;

const WIDE = 182;
const TALL = 86;
const GAP_X = 34;
const GAP_Y = 14;

/** The chain drawn from root to findings: each column one step further from the first cause. */
export function ChainMap({ chain }: { chain: ChainStep[] }) {
  const inspection = useInspection();
  const places = layout(chain);
  const width = Math.max(...places.map((p) => p.x)) + WIDE + 8;
  const height = Math.max(...places.map((p) => p.y)) + TALL + 8;
  return (
    <Map tabIndex={0} aria-label="Chain of causes">
      <svg
        width={width}
        height={height}
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
            markerWidth="8"
            markerHeight="8"
            orient="auto"
          >
            <path d="M0 0 10 5 0 10z" fill="var(--ink)" />
          </marker>
        </defs>
        {places.flatMap((to) =>
          to.step.from.map((id) => {
            const from = places.find((p) => p.step.id === id);
            if (!from) return null;
            const x1 = from.x + WIDE;
            const x2 = to.x;
            const mid = (x1 + x2) / 2;
            return (
              <path
                key={`${id}-${to.step.id}`}
                d={`M${x1} ${from.y + TALL / 2}C${mid} ${from.y + TALL / 2} ${mid} ${to.y + TALL / 2} ${x2 - 2} ${to.y + TALL / 2}`}
                fill="none"
                stroke="var(--ink)"
                strokeWidth={1.6}
                markerEnd="url(#chain-arrow)"
              />
            );
          }),
        )}
        {places.map(({ step, x, y }, k) => (
          <g key={step.id} transform={`translate(${x} ${y})`}>
            <rect
              width={WIDE}
              height={TALL}
              fill={k === 0 ? 'var(--ink)' : 'var(--inset)'}
              stroke="var(--ink)"
              strokeWidth={step.slots.length ? 1.6 : 1.2}
              strokeDasharray={step.slots.length || k === 0 ? undefined : '5 4'}
            />
            <foreignObject width={WIDE} height={TALL}>
              <Box $first={k === 0}>
                <b>{step.words.charAt(0).toUpperCase() + step.words.slice(1)}</b>
                <span>
                  {step.slots.length
                    ? `seen: ${seen(inspection, step.slots)}`
                    : k === 0
                      ? 'not looked at directly'
                      : `inferred, ${percent(step.probability)}`}
                </span>
              </Box>
            </foreignObject>
          </g>
        ))}
      </svg>
    </Map>
  );
}

const Box = styled.div<{ $first: boolean }>`
  height: 100%;
  padding: 8px 10px;
  display: grid;
  align-content: center;
  gap: 3px;
  color: ${(p) => (p.$first ? 'var(--sheet)' : 'var(--ink)')};
  font-size: 0.875rem;
  line-height: 1.2;
  font-stretch: 90%;
  overflow: hidden;
  b {
    font-weight: 650;
  }
  span {
    opacity: 0.82;
    font-size: 0.8125rem;
    white-space: nowrap;
    overflow: hidden;
    text-overflow: ellipsis;
  }
`;

function seen(inspection: Inspection, slots: string[]): string {
  const words = [...new Set(slots.map((slot) => slotWords(inspection, slot)))];
  return words.length > 2 ? `${words[0]} and ${words.length - 1} more` : words.join(', ');
}

/** Column = longest way from the root; rows in the order of the chain. */
function layout(chain: ChainStep[]): { step: ChainStep; x: number; y: number }[] {
  const column = new globalThis.Map<string, number>();
  const rows: number[] = [];
  return chain.map((step) => {
    const at = step.from.length ? Math.max(...step.from.map((id) => column.get(id) ?? 0)) + 1 : 0;
    column.set(step.id, at);
    const row = (rows[at] = (rows[at] ?? -1) + 1);
    return { step, x: 4 + at * (WIDE + GAP_X), y: 4 + row * (TALL + GAP_Y) };
  });
}
