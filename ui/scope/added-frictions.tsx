'use client';
import styled from 'styled-components';
import { valueOf } from '@/core/case';
import { atTorque } from '@/core/scope';
import type { AddedFriction } from '@/core/scope';
import { elementOf } from '@/core/unit';
import { useJob } from '@/ui/job/provider';
import { Caption, Section, Stack, Wide } from '@/ui/system';

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  th,
  td {
    padding: 6px 14px 6px 0;
    border-top: 1px solid var(--rule);
    text-align: left;
    font-weight: 400;
  }
  thead th {
    border: 0;
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
  tbody th {
    font-weight: 650;
  }
`;

/** Where one more friction fits, and what it brings: computed from the pack, its sizes and this engine. */
export function AddedFrictions({ stock }: { stock: readonly AddedFriction[] }) {
  const { unit, state } = useJob();
  const factor = valueOf(state, 'history.powerFactor') ?? 1;
  const list = atTorque(stock, factor);
  const mm = (metres: number) => `${(metres * 1000).toFixed(2)} mm`;
  return (
    <Section
      title="One more friction"
      note={
        factor === 1 ? 'Torque in hand with the stock engine.' : `Torque in hand at ${factor} × stock torque.`
      }
    >
      <Stack $gap={8}>
        <Wide>
          <Table>
            <thead>
              <tr>
                <th scope="col">Pack</th>
                <th scope="col">Frictions</th>
                <th scope="col">Torque in hand</th>
                <th scope="col">Steels</th>
                <th scope="col">Piston cut by</th>
                <th scope="col">Heat its steels take</th>
              </tr>
            </thead>
            <tbody>
              {list.map((a) => (
                <tr key={a.element}>
                  <th scope="row">{elementOf(unit, a.element).name}</th>
                  <td>
                    {a.frictions - 1} → {a.frictions}
                  </td>
                  <td>
                    {a.before.toFixed(2)} → <b>{a.after.toFixed(2)}</b> ×
                  </td>
                  <td>{mm(a.steel)}</td>
                  <td>{mm(a.pistonCut)}</td>
                  <td>
                    {a.heat >= 1
                      ? `${Math.round((a.heat - 1) * 100)} % more`
                      : `${Math.round((1 - a.heat) * 100)} % less`}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        </Wide>
        <Caption>
          Packs that pull speeds together, where the plates stay on their hub and in their drum and the piston
          is cut no lower than it may be. Below 1 × a pack slips.
        </Caption>
      </Stack>
    </Section>
  );
}
