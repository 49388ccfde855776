'use client';
import styled from 'styled-components';
import type { Cause } from '@/core/diagnosis';
import { factWords } from '@/core/facts';
import { useInspection } from '@/ui/job/use-inspection';
import { Caption, Wide } from '@/ui/system';

export const Ledger = styled.table`
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

/** On a phone the words stand above their bar. */
const Odds = styled(Ledger)`
  @media (max-width: 640px) {
    thead {
      display: none;
    }
    tr {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      align-items: center;
      border-top: 1px solid var(--rule);
    }
    td {
      border: 0;
      padding: 4px 0;
    }
    td:first-child {
      grid-column: 1 / -1;
    }
  }
`;

/** Every finding with what it does to the odds of one candidate. */
export function EvidenceLedger({ cause }: { cause: Cause }) {
  const inspection = useInspection();
  if (cause.evidence.length === 0) return <p>No finding speaks for or against it yet.</p>;
  const most = Math.max(...cause.evidence.map((e) => Math.abs(e.weight)), 1);
  return (
    <Wide>
      <Odds>
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
                {factWords(inspection, e)}
                {e.caution && <Caption>{e.caution}</Caption>}
              </td>
              <td className="bar">
                <WeightBar share={e.weight / most} />
              </td>
              <td className="odds">{oddsWords(e.weight)}</td>
            </tr>
          ))}
        </tbody>
      </Odds>
    </Wide>
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
