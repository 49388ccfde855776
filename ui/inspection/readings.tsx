'use client';
import { memo } from 'react';
import styled from 'styled-components';
import { limitOf, measureOf } from '@/core/inspection';
import type { CataloguePoint, Inspection, Subject } from '@/core/inspection';
import { MeasureField } from './measure-field';
import { useFinding } from './use-finding';

const Panel = styled.section`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 22px;
  padding: 2px 0 4px;
  border-bottom: 2px solid var(--rule-strong);
`;
const Group = styled.fieldset`
  display: grid;
  grid-template-columns: repeat(auto-fill, 112px);
  gap: 1px 12px;
  flex: 0 1 auto;
  align-items: end;
  min-width: min-content;
  margin: 0;
  padding: 0;
  border: 0;
  legend {
    padding: 0;
    font-size: 0.875rem;
    font-weight: 600;
    line-height: 1.15;
    white-space: nowrap;
  }
  label {
    display: -webkit-box;
    -webkit-line-clamp: 2;
    -webkit-box-orient: vertical;
    overflow: hidden;
    font-size: 0.8125rem;
    font-stretch: 80%;
    line-height: 1.15;
  }
  input {
    min-height: 44px;
    padding: 4px 8px;
  }
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
      const field = measureOf(point.point);
      // Counts are seen, not measured.
      if (!field?.limit || field.unit === '') return [];
      return limitOf(inspection.unit, subject, field.limit) ? [{ subject, point }] : [];
    }),
  );
}

interface ReadingGroup {
  name: string;
  readings: { reading: AskedReading; label: string }[];
}

/** Readings of one thing stand together under its name; one reading of many things under the reading's. */
function groupReadings(readings: readonly AskedReading[]): ReadingGroup[] {
  const groups = new Map<string, ReadingGroup>();
  for (const reading of readings) {
    const { subject, point } = reading;
    const alone = readings.filter((r) => r.subject === subject).length === 1;
    const [key, name, label] = alone
      ? [point.key, headingOf(point), subject.name]
      : [subject.slot, subject.name, point.point.words];
    const group = groups.get(key) ?? { name, readings: [] };
    groups.set(key, group);
    group.readings.push({ reading, label });
  }
  return [...groups.values()];
}

/** A resistance is told as it would be in the cold, for that is what its limit is. */
const headingOf = ({ point }: CataloguePoint) =>
  measureOf(point)?.limit === 'resistance' ? `${point.words}, judged at 20 °C` : point.words;

/** The readings of a station side by side, each with its limit: a gauge's digits and Enter go from one to the next. */
export const Readings = memo(function Readings({ readings }: { readings: readonly AskedReading[] }) {
  if (readings.length === 0) return null;
  return (
    <Panel aria-label="Readings">
      {groupReadings(readings).map((group) => (
        <Group key={group.name} style={{ flexBasis: `${group.readings.length * (112 + 12) - 12}px` }}>
          <legend>{group.name}</legend>
          {group.readings.map(({ reading, label }) => (
            <OneReading
              key={`${reading.subject.slot}.${reading.point.point.id}`}
              {...reading}
              label={label}
            />
          ))}
        </Group>
      ))}
    </Panel>
  );
});

function OneReading({ subject, point, label }: AskedReading & { label: string }) {
  const handle = useFinding(subject, point.point.id);
  return (
    <div data-point={handle.slot}>
      <MeasureField subject={subject} point={point} handle={handle} label={label} />
    </div>
  );
}
