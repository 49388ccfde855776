'use client';
import { Pencil, Trash2 } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { depositOf, lineTotal } from '@/core/quote';
import { formatMoney } from '@/core/shop';
import type { ShopTerms } from '@/core/shop';
import { isByCustom } from '@/core/scope';
import type { Scope, ScopeLine } from '@/core/scope';
import { useJob } from '@/ui/job/provider';
import { Button } from '@/ui/system';
import type { Edit } from './edit-dialog';
import { Reasons } from './reasons';

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
  col:nth-child(1) {
    width: 30%;
  }
  col:nth-child(2) {
    width: 84px;
  }
  col:nth-child(4) {
    width: 128px;
  }
  col:nth-child(5) {
    width: 92px;
  }
  th,
  td {
    padding: 4px 12px 4px 0;
    height: 46px;
    border-top: 1px solid var(--rule);
    text-align: left;
    vertical-align: middle;
    line-height: 1.25;
  }
  thead th {
    border: 0;
    height: auto;
    font-weight: 500;
    font-size: 0.9375rem;
    font-stretch: 92%;
    color: var(--ink-soft);
  }
  tbody th {
    font-weight: 650;
    font-stretch: 96%;
  }
  .money {
    text-align: right;
    white-space: nowrap;
  }
  small {
    display: block;
    font-size: 0.875rem;
    font-weight: 400;
    font-stretch: 90%;
    color: var(--ink-soft);
    white-space: normal;
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
      height: auto;
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
    height: auto;
    padding: 14px 0 4px;
    border-top: 2px solid var(--ink);
    font-size: 1rem;
    font-weight: 650;
  }
`;
/** The lines by place, each with what it rests on; what a kit holds and nothing else asks for is folded to a line. */
export function ScopeTable({ scope, onEdit }: { scope: Scope; onEdit: (edit: Edit) => void }) {
  const { unit } = useJob();
  const groupOf = (line: ScopeLine) =>
    line.kind === 'labour'
      ? 'Labour'
      : line.kind === 'outside'
        ? 'Outside the unit'
        : line.kind === 'fluid'
          ? 'Fluid'
          : (unit.stations.find((s) => s.id === line.station)?.name ?? 'Other');
  const byCustom = (line: ScopeLine) =>
    line.kind === 'part' && line.edited === null && line.reasons.every(isByCustom);
  const within = (line: ScopeLine) => line.kind === 'labour' && line.hours === 0 && line.edited === null;
  const told = scope.lines.filter((l) => !byCustom(l) && !within(l));
  const held = scope.lines.filter(within);
  const custom = scope.lines.filter(byCustom);
  return (
    <Table>
      <colgroup>
        <col />
        <col />
        <col />
        <col />
        <col />
      </colgroup>
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
        {told.flatMap((line, k) => {
          const group = groupOf(line);
          const first = k === 0 || groupOf(told[k - 1]!) !== group;
          return [
            ...(first ? [<GroupHead key={`group-${group}`} words={group} />] : []),
            <Row key={line.key} line={line} onEdit={onEdit} />,
          ];
        })}
      </tbody>
      {held.length > 0 && (
        <tbody>
          <tr>
            <td colSpan={5}>
              <small>Done within the overhaul, not charged again: {held.map((l) => l.name).join('; ')}</small>
            </td>
          </tr>
        </tbody>
      )}
      {custom.length > 0 && <Custom lines={custom} onEdit={onEdit} />}
    </Table>
  );
}

function GroupHead({ words }: { words: string }) {
  return (
    <Group>
      <th colSpan={5} scope="colgroup">
        {words}
      </th>
    </Group>
  );
}

/** What is renewed in every overhaul: one line, opened on demand. */
function Custom({ lines, onEdit }: { lines: ScopeLine[]; onEdit: (edit: Edit) => void }) {
  const { terms } = useJob();
  const [open, setOpen] = useState(false);
  const total = lines.reduce((sum, l) => sum + lineTotal(l, terms), 0);
  const inKit = lines.filter((l) => l.inKit).length;
  return (
    <tbody>
      <GroupHead words="Whenever it is apart" />
      <tr>
        <th scope="row">
          {lines.length} {lines.length === 1 ? 'part' : 'parts'}
          {inKit > 0 && <small>{inKit} of them in the overhaul kit</small>}
        </th>
        <td>renewed or measured</td>
        <td>
          {lines
            .slice(0, 5)
            .map((l) => l.name)
            .join(', ')}
          {lines.length > 5 && ' …'}
        </td>
        <td className="money">{formatMoney(total, terms.currency)}</td>
        <td className="tools">
          <Button $kind="quiet" $small aria-expanded={open} onPress={() => setOpen(!open)}>
            {open ? 'Fold' : 'Show all'}
          </Button>
        </td>
      </tr>
      {open && lines.map((line) => <Row key={line.key} line={line} onEdit={onEdit} />)}
    </tbody>
  );
}

function Row({ line, onEdit }: { line: ScopeLine; onEdit: (edit: Edit) => void }) {
  const { terms } = useJob();
  const deposit = depositOf(line);
  return (
    <tr data-line={line.key}>
      <th scope="row">
        {line.name}
        {line.kind === 'fluid' ? ` ${line.quantity} l` : line.quantity > 1 && ` × ${line.quantity}`}
        {line.grade && line.grade !== 'new' && (
          <small>
            {line.grade === 'donor' ? 'used' : line.grade}, {line.supplier}
          </small>
        )}
      </th>
      <td>
        {line.kind === 'labour' ? `${hoursOf(line)} h` : line.kind === 'outside' ? 'agree' : line.action}
      </td>
      <td>
        <Reasons line={line} />
      </td>
      <td className="money">
        {moneyOf(line, terms)}
        {deposit > 0 && (
          <small>
            + {formatMoney(deposit, terms.currency)} deposit
            {line.coreReturnDays !== null && `, back within ${line.coreReturnDays} days`}
          </small>
        )}
      </td>
      <td className="tools">
        <Tool aria-label={`Change ${line.name}`} onPress={() => onEdit({ line, change: 'change' })}>
          <Pencil size={18} aria-hidden />
        </Tool>
        <Tool aria-label={`Take out ${line.name}`} onPress={() => onEdit({ line, change: 'remove' })}>
          <Trash2 size={18} aria-hidden />
        </Tool>
      </td>
    </tr>
  );
}

/** All pieces together, to the minute or so. */
const hoursOf = (line: ScopeLine) => Math.round(line.hours * line.quantity * 100) / 100;

function moneyOf(line: ScopeLine, terms: ShopTerms): string {
  if (line.inKit) return 'in the kit';
  if (line.onTheShop) return 'on the shop';
  if (line.unpriced) return 'no price';
  if (line.kind === 'outside' && lineTotal(line, terms) === 0) return 'to agree';
  if (line.kind === 'part' && line.price === null) return '–';
  return formatMoney(lineTotal(line, terms), terms.currency);
}
