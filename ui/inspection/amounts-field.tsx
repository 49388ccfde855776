'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { findingSlot } from '@/core/case';
import type { Finding, Json } from '@/core/case';
import { amountsOf } from '@/core/inspection';
import type { CataloguePoint, Level, Subject } from '@/core/inspection';
import { useBench, useSlots } from '@/ui/job/provider';
import { Button, Choice, Line, Stack, Wide } from '@/ui/system';
import { optionsOf } from './levels';

const Matrix = styled.table`
  border-collapse: collapse;
  width: 100%;
  th {
    font-weight: 500;
    text-align: left;
    font-size: 0.9375rem;
    font-stretch: 90%;
  }
  thead th {
    padding: 0 4px 6px;
    color: var(--ink-soft);
    text-align: center;
    font-size: 0.8125rem;
    font-stretch: 80%;
    line-height: 1.1;
  }
  tbody th {
    padding-right: 10px;
    white-space: nowrap;
  }
  td {
    padding: 0;
    border: 1px solid var(--rule);
  }
`;
const Spot = styled.button`
  display: grid;
  place-items: center;
  width: 100%;
  min-width: 46px;
  height: 44px;
  border: 0;
  background: transparent;
  cursor: crosshair;
  &:hover {
    background: var(--inset);
  }
`;

/** Points of one subject that are amounts by place, all in one picture: choose an amount, then touch where it lay. */
export function AmountsMatrix({ subject, points }: { subject: Subject; points: readonly CataloguePoint[] }) {
  const { write, writeMany, now } = useBench();
  const stored = new Map(useSlots(`${subject.slot}.`) as [string, Finding][]);
  const first = points[0]!;
  const field = amountsOf(first.point);
  const levels = [...first.levels.values()];
  const [brush, setBrush] = useState(levels.find((l) => l.severity === 2)?.id ?? levels[0]!.id);
  if (!field) return null;
  const foundAt = (point: CataloguePoint): { [place: string]: string } => {
    const is = stored.get(point.point.id)?.is;
    return typeof is === 'object' ? is : {};
  };
  const paint = (point: CataloguePoint, place: string) => {
    const slot = findingSlot(subject.slot, point.point.id);
    const known = now(slot) as Finding | undefined;
    const is = known && typeof known.is === 'object' ? known.is : {};
    const { [place]: before, ...rest } = is;
    const next = before === brush ? rest : { ...is, [place]: brush };
    write(slot, Object.keys(next).length ? ({ ...known, is: next } as Json) : null);
  };
  const open = points.filter((p) => !stored.has(p.point.id));
  const none = levels[0]!;
  const noneOfTheRest = () =>
    writeMany(
      open.map((p): [string, Json] => [
        findingSlot(subject.slot, p.point.id),
        { is: { [field.places[0]!.id]: none.id } },
      ]),
    );
  return (
    <Stack $gap={10}>
      <Line>
        <Choice
          label={`Amount to mark, ${subject.name.toLowerCase()}`}
          tall
          dense
          value={brush}
          options={optionsOf(first)}
          onChange={(v) => v && setBrush(v)}
        />
        <Button isDisabled={open.length === 0} onPress={noneOfTheRest}>
          None of the rest{open.length ? ` (${open.length})` : ''}
        </Button>
      </Line>
      <Wide>
        <Matrix>
          <thead>
            <tr>
              <th />
              {field.places.map((place) => (
                <th key={place.id} scope="col">
                  {place.words}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {points.map((point) => (
              <tr key={point.key} data-point={`${subject.slot}.${point.point.id}`}>
                <th scope="row">{point.point.words}</th>
                {field.places.map((place) => {
                  const amount = point.levels.get(foundAt(point)[place.id] ?? '');
                  return (
                    <td key={place.id}>
                      <Spot
                        type="button"
                        aria-label={`${point.point.words}, ${place.words.toLowerCase()}: ${amount?.words.toLowerCase() ?? 'not looked at'}`}
                        onClick={() => paint(point, place.id)}
                      >
                        <Heap level={amount} />
                      </Spot>
                    </td>
                  );
                })}
              </tr>
            ))}
          </tbody>
        </Matrix>
      </Wide>
    </Stack>
  );
}

/** An amount as a heap: nothing looked at is a dot, none a stroke, then one, two, four grains. */
function Heap({ level }: { level: Level | undefined }) {
  const grains = [
    [17, 16],
    [10, 16],
    [24, 16],
    [17, 8],
  ].slice(0, { 1: 1, 2: 3, 3: 4 }[level?.severity ?? 0] ?? 0);
  const tone = (level?.severity ?? 0) >= 3 ? 'var(--bad)' : 'var(--ink)';
  return (
    <svg width="34" height="24" viewBox="0 0 34 24" aria-hidden>
      {!level && <circle cx="17" cy="12" r="2" fill="var(--rule-strong)" />}
      {level?.severity === 0 && <path d="M10 12H24" stroke="var(--good)" strokeWidth="3" />}
      {grains.map(([x, y]) => (
        <circle key={`${x} ${y}`} cx={x} cy={y} r="5" fill={tone} />
      ))}
    </svg>
  );
}
