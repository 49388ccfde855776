'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { Choice, NumberInput, Section, Stack, Wide } from '@/ui/system';
import { useDraft } from './draft';

export interface UnitTimes {
  id: string;
  name: string;
  labour: { id: string; name: string; hours: number }[];
}

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  td {
    padding: 4px 14px 4px 0;
    border-top: 1px solid var(--rule);
  }
  td:nth-child(2),
  td:nth-child(3) {
    width: 130px;
  }
`;

/** The shop's own times beside the unit's: an empty field leaves the unit's. */
export function Times({ units }: { units: UnitTimes[] }) {
  const { terms, change, round } = useDraft();
  const [shown, setShown] = useState(units[0]?.id);
  const unit = units.find((u) => u.id === shown);
  const put = (operation: string, hours: number | null) => {
    const others = terms.times.filter((t) => t.unit !== shown || t.operation !== operation);
    change({ times: hours === null ? others : [...others, { unit: shown!, operation, hours }] });
  };
  return (
    <Section title="Times" note="Hours of work, where this shop’s are not the unit’s.">
      <Stack $gap={12}>
        <Choice
          label="Unit"
          value={shown}
          options={units.map((u) => ({ value: u.id, label: u.name }))}
          onChange={(v) => v && setShown(v)}
        />
        <Wide>
          <Table>
            <tbody>
              {unit?.labour.map((o) => (
                <tr key={`${unit.id} ${o.id}`}>
                  <td>{o.name}</td>
                  <td>{o.hours} h as built</td>
                  <td>
                    <NumberInput
                      key={round}
                      hideLabel
                      label={`${o.name}: hours here`}
                      unit="h"
                      min={0.1}
                      max={200}
                      pause
                      value={terms.times.find((t) => t.unit === unit.id && t.operation === o.id)?.hours}
                      onChange={(v) => put(o.id, v)}
                    />
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
        </Wide>
      </Stack>
    </Section>
  );
}
