'use client';
import { useMemo } from 'react';
import styled from 'styled-components';
import type { Comeback, Compared, Party, Responsibility, Why } from '@/core/comebacks';
import { distanceWords } from '@/core/shop';
import { useBench } from '@/ui/job/provider';
import { likelihood } from '@/ui/job/words';
import { sayError, send } from '@/ui/net/request';
import { Caption, Link, Notice, Stack, Wide, later, useLater } from '@/ui/system';
import { Ledger } from './ledger';

const PARTIES: Record<Party, string> = {
  shop: 'The shop',
  supplier: 'The supplier of a part',
  customer: 'Use of the vehicle',
  wear: 'Wear of what was not renewed',
  outside: 'Not the transmission',
};
const WHY: Record<Why, string> = {
  'set-up': 'put together, set or filled wrong',
  'same-again': 'the same as then, and its part is not new',
  'left-in': 'its part was found bad then and stayed in',
  'renewed-failed': 'its part was renewed then',
  use: 'comes from how it is used',
  'not-touched': 'its part was neither renewed nor found bad then',
  'not-transmission': 'lies outside the transmission',
};

const Table = styled(Ledger)`
  td:first-child {
    width: 40%;
  }
  tr[data-change='worse'] td:last-child {
    color: var(--bad);
    font-weight: 620;
  }
  .none {
    color: var(--ink-soft);
  }
`;
const Matters = styled.ol`
  display: grid;
  gap: 10px;
  li {
    display: grid;
    grid-template-columns: 74px minmax(0, 1fr);
    gap: 0 14px;
  }
  li > b {
    font-size: 1.25rem;
    font-weight: 640;
  }
  li:not(:first-child) > b {
    font-weight: 500;
  }
  strong {
    font-weight: 640;
  }
`;

/** Large enough for a thumb, though it stands in a line. */
const ToEarlier = styled(Link)`
  display: inline-block;
  padding: 12px 0;
  margin: -12px 0;
`;

/** The job beside the one it comes back from: then and now, what was renewed, and whose matter it may be. */
export function ComebackCompared({ earlier }: { earlier: number }) {
  const { number, terms } = useBench();
  const asked = useMemo(
    () => later(() => send<Comeback>('GET', `/api/jobs/${number}/comeback?from=${earlier}`)),
    [number, earlier],
  );
  const { piece: comeback, problem } = useLater(asked, true);
  if (problem) return <Notice>{sayError(problem)} The comparison needs the server.</Notice>;
  if (!comeback) return <Caption role="status">Comparing with job {earlier} …</Caption>;
  const { kmSince, otherUnit, renewed, rows, responsibility } = comeback;
  return (
    <Stack>
      <p>
        <ToEarlier href={`/jobs/${earlier}/cause`}>Job {earlier}</ToEarlier>
        {kmSince === null ? '' : `, ${distanceWords(kmSince, terms.distance)} ago`}.{' '}
        {comeback.earlier.cause
          ? `Put down to: ${comeback.earlier.cause}.`
          : 'No first cause was committed then.'}
      </p>
      {otherUnit ? (
        <Notice>It was another unit, {otherUnit}: nothing can be compared point by point.</Notice>
      ) : (
        <>
          <ThenAndNow rows={rows} />
          <p>
            {renewed.length
              ? `Renewed then, as it was scoped: ${renewed.join(', ')}.`
              : 'Nothing was renewed then.'}
          </p>
          <Whose responsibility={responsibility} />
        </>
      )}
    </Stack>
  );
}

function ThenAndNow({ rows }: { rows: readonly Compared[] }) {
  if (rows.length === 0) return <p>Nothing that was wrong then or is now has been looked at both times.</p>;
  const said = (words: string | null) => words ?? <span className="none">not looked at</span>;
  return (
    <Wide>
      <Table>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">Then</th>
            <th scope="col">Now</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.point} data-change={row.change}>
              <td>{row.words}</td>
              <td>{said(row.then)}</td>
              <td>{said(row.now)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Wide>
  );
}

function Whose({ responsibility }: { responsibility: readonly Responsibility[] }) {
  return (
    <Stack $gap={8}>
      <Caption>Whose matter it may be: a suggestion from the causes as they stand. The shop decides.</Caption>
      <Matters>
        {responsibility.map(({ party, share, because }) => (
          <li key={party}>
            <b>{likelihood(share)}</b>
            <span>
              <strong>{PARTIES[party]}.</strong>{' '}
              {because.map((b) => `${b.cause} (${likelihood(b.probability)}): ${WHY[b.why]}`).join('; ')}.
            </span>
          </li>
        ))}
      </Matters>
    </Stack>
  );
}
