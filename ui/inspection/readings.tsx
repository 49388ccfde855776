'use client';
import { memo } from 'react';
import styled from 'styled-components';
import { limitOf } from '@/core/inspection';
import type { CataloguePoint, Inspection, Subject } from '@/core/inspection';
import { MeasureField } from './measure-field';
import { useFinding } from './use-finding';

const Panel = styled.section`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(112px, 1fr));
  gap: 4px 10px;
  align-items: start;
  padding: 4px 0 8px;
  label {
    overflow: hidden;
    text-overflow: ellipsis;
    white-space: nowrap;
    font-size: 0.8125rem;
    font-stretch: 80%;
    line-height: 1.2;
  }
  input {
    min-height: 44px;
    padding: 4px 8px;
  }
  border-bottom: 2px solid var(--rule-strong);
`;

/** A reading the unit states a limit for. */
export interface AskedReading {
  subject: Subject;
  point: CataloguePoint;
}

/** What is measured at a station, in the order of its rows: only what the unit has a limit for. */
export function readingsAt(inspection: Inspection, rows: readonly Subject[]): AskedReading[] {
  return rows.flatMap((subject) =>
    [...inspection.points(subject).values()].flatMap((point): AskedReading[] => {
      const { field } = point.point;
      // Counts are seen, not measured.
      if (field.kind !== 'measure' || !field.limit || field.unit === '') return [];
      return limitOf(inspection.unit, subject, field.limit) ? [{ subject, point }] : [];
    }),
  );
}

/** The readings of a station side by side, each with its limit: a gauge's digits and Enter go from one to the next. */
export const Readings = memo(function Readings({ readings }: { readings: readonly AskedReading[] }) {
  if (readings.length === 0) return null;
  return (
    <Panel aria-label="Readings">
      {readings.map(({ subject, point }) => (
        <OneReading key={`${subject.slot}.${point.point.id}`} subject={subject} point={point} />
      ))}
    </Panel>
  );
});

function OneReading({ subject, point }: AskedReading) {
  const handle = useFinding(subject, point.point.id);
  return <MeasureField subject={subject} point={point} handle={handle} label={readingName(subject, point)} />;
}

/** "Pump gears: face clearance"; a solenoid's resistance and a pack's clearance are known by the thing's own name. */
export function readingName(subject: Subject, { point }: CataloguePoint): string {
  return `${subject.name}: ${point.words.toLowerCase()}`;
}
