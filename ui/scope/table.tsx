'use client';
import { Pencil, Trash2 } from 'lucide-react';
import Link from 'next/link';
import styled from 'styled-components';
import { stageOfIn } from '@/core/inspection';
import { formatMoney, linePrice } from '@/core/quote';
import type { Scope, ScopeLine } from '@/core/scope';
import { useInspection } from '@/ui/inspection/use-inspection';
import { useBench, useJob } from '@/ui/job/provider';
import { slotWords } from '@/ui/job/slot-words';
import { Button } from '@/ui/system';
import type { Edit } from './edit-dialog';

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  th,
  td {
    padding: 8px 12px 8px 0;
    border-top: 1px solid var(--rule);
    text-align: left;
    vertical-align: top;
  }
  thead th {
    border: 0;
    font-weight: 500;
    font-size: 0.9375rem;
    font-stretch: 92%;
    color: var(--ink-soft);
  }
  tbody th {
    font-weight: 650;
  }
  .money {
    text-align: right;
    white-space: nowrap;
  }
  small {
    display: block;
    font-size: 0.875rem;
    font-stretch: 92%;
    color: var(--ink-soft);
  }
  /* On a phone a line is a small sheet: name and price above, why and what can be changed below. */
  @media (max-width: 600px) {
    &,
    tbody {
      display: block;
    }
    thead {
      display: none;
    }
    tr {
      display: grid;
      grid-template-columns: minmax(0, 1fr) auto;
      border-top: 1px solid var(--rule);
    }
    th,
    td {
      border: 0;
      padding: 6px 8px 0 0;
    }
    td:nth-child(2) {
      grid-area: 2 / 1;
      color: var(--ink-soft);
    }
    td:nth-child(3) {
      grid-area: 3 / 1 / 4 / 3;
    }
    td:nth-child(4) {
      grid-area: 1 / 2;
    }
    td:nth-child(5) {
      grid-area: 2 / 2;
    }
  }
  .tools {
    padding: 0;
    text-align: right;
    white-space: nowrap;
  }
`;
const Tool = styled(Button).attrs({ $kind: 'quiet' as const })`
  width: 44px;
  padding: 0;
`;
const Group = styled.tr`
  th {
    padding-top: 18px;
    border-top: 2px solid var(--ink);
    font-size: 1rem;
    font-weight: 650;
  }
`;
const Why = styled.ul`
  display: grid;
  gap: 3px;
  font-size: 0.9375rem;
  a {
    font-stretch: 90%;
    margin-left: 6px;
    white-space: nowrap;
  }
`;

/** The lines by place, each with what it rests on. */
export function ScopeTable({ scope, onEdit }: { scope: Scope; onEdit: (edit: Edit) => void }) {
  const { unit, terms } = useJob();
  const groupOf = (line: ScopeLine) =>
    line.kind === 'labour'
      ? 'Labour'
      : line.kind === 'outside'
        ? 'Outside the unit'
        : (unit.stations.find((s) => s.id === line.station)?.name ?? 'Other');
  const money = (line: ScopeLine) => {
    if (line.inKit) return 'in the kit';
    if (line.onTheShop) return 'on the shop';
    return formatMoney(linePrice(line, terms) * line.quantity, terms.currency);
  };
  const core = (line: ScopeLine) =>
    `+ ${formatMoney(line.coreDeposit * line.quantity, terms.currency)} core${
      line.coreReturnDays === null ? '' : `, back within ${line.coreReturnDays} days`
    }`;
  return (
    <Table>
      <thead>
        <tr>
          <th scope="col">Part or work</th>
          <th scope="col">Action</th>
          <th scope="col">Why</th>
          <th scope="col" className="money">
            Price
          </th>
          <th scope="col">
            <span style={{ position: 'absolute', clipPath: 'inset(50%)' }}>Change</span>
          </th>
        </tr>
      </thead>
      <tbody>
        {scope.lines.flatMap((line, k) => {
          const group = groupOf(line);
          const first = k === 0 || groupOf(scope.lines[k - 1]!) !== group;
          return [
            ...(first
              ? [
                  <Group key={`group-${group}`}>
                    <th colSpan={5} scope="colgroup">
                      {group}
                    </th>
                  </Group>,
                ]
              : []),
            <tr key={line.key} data-line={line.key}>
              <th scope="row">
                {line.name}
                {line.quantity > 1 && ` × ${line.quantity}`}
              </th>
              <td>{line.kind === 'labour' ? `${line.hours} h` : line.action}</td>
              <td>
                <Reasons line={line} />
              </td>
              <td className="money">
                {money(line)}
                {line.coreDeposit > 0 && !line.inKit && <small>{core(line)}</small>}
              </td>
              <td className="tools">
                <Tool aria-label={`Change ${line.name}`} onPress={() => onEdit({ line, change: 'change' })}>
                  <Pencil size={18} aria-hidden />
                </Tool>
                <Tool aria-label={`Take out ${line.name}`} onPress={() => onEdit({ line, change: 'remove' })}>
                  <Trash2 size={18} aria-hidden />
                </Tool>
              </td>
            </tr>,
          ];
        })}
      </tbody>
    </Table>
  );
}

/** Each reason with the finding it rests on, one press away. */
function Reasons({ line }: { line: ScopeLine }) {
  const { number } = useBench();
  const inspection = useInspection();
  const stageOf = stageOfIn(inspection.catalogue);
  return (
    <Why>
      {line.reasons.map((reason) => {
        const slot = reason.slots.find((s) => !s.startsWith('vehicle.'));
        return (
          <li key={`${reason.rule}${reason.words}`}>
            {reason.words}
            {slot && <Link href={`/jobs/${number}/${stageOf(slot)}`}>{slotWords(inspection, slot)}</Link>}
          </li>
        );
      })}
    </Why>
  );
}
