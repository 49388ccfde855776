'use client';
import styled from 'styled-components';
import { coilVerdict, limitOf, measure, measureOf, measureWords } from '@/core/inspection';
import type { CataloguePoint, Measured, Subject } from '@/core/inspection';
import { useBench } from '@/ui/job/provider';
import { NumberInput } from '@/ui/system';
import { benchConditions } from './bench-warmth';
import type { FindingHandle } from './use-finding';

const Cell = styled.div`
  min-width: 0;
  input[data-outside] {
    border-color: var(--bad);
  }
`;
const Verdict = styled.p<{ $tone: string }>`
  min-height: 1.2em;
  font-size: 0.8125rem;
  font-stretch: 88%;
  line-height: 1.2;
  color: var(--${(p) => p.$tone});
  b {
    font-weight: 700;
  }
`;

/** A number with its limit before it is typed; outside it is said at once. Enter goes on to the next reading. */
export function MeasureField(props: {
  subject: Subject;
  point: CataloguePoint;
  handle: FindingHandle;
  label: string;
}) {
  const { subject, point, handle, label } = props;
  const { unit, keepName } = useBench();
  const field = measureOf(point.point);
  if (!field) return null;
  const limit = field.limit && limitOf(unit, subject, field.limit);
  const is = handle.finding?.is;
  const judged = handle.finding ? measure(unit, subject, point.point, handle.finding) : null;
  return (
    <Cell>
      <NumberInput
        label={label}
        unit={field.unit}
        min={field.min}
        max={field.max}
        whole={field.unit === ''}
        reading
        pause
        keep={keepName(handle.slot)}
        value={typeof is === 'number' ? is : undefined}
        onChange={(v) => handle.say(v, benchConditions(point))}
      />
      <Verdict
        role="status"
        $tone={!judged || judged.level === 'read' ? 'ink-soft' : judged.level === 'in' ? 'good' : 'bad'}
      >
        {judged && judged.level !== 'read' && <b>{verdictWords(judged, field.limit === 'resistance')} </b>}
        {judged
          ? measureWords(limit, field.unit).replace(` ${field.unit}`, '')
          : measureWords(limit, field.unit)}
      </Verdict>
    </Cell>
  );
}

const OUTSIDE = { in: 'Within', under: 'Under', over: 'Over', read: '' };
const COIL = {
  in: 'within',
  low: 'under',
  high: 'over',
  open: 'open circuit,',
  short: 'short circuit,',
};

function verdictWords({ level, value, limit }: Measured, coil: boolean): string {
  return coil && limit ? `${value.toFixed(1)}, ${COIL[coilVerdict(value, limit)]}` : OUTSIDE[level];
}
