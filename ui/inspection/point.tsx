'use client';
import { Plus } from 'lucide-react';
import { memo } from 'react';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import { CANNOT_TELL, TAKEDOWN, WARMTHS } from '@/core/case';
import type { Finding, Warmth } from '@/core/case';
import { findingWords, kindOf } from '@/core/inspection';
import type { CataloguePoint, Condition, Subject } from '@/core/inspection';
import { useBench, useSlots } from '@/ui/job/provider';
import { Caption, Caution, Choice, NumberInput, TextInput } from '@/ui/system';
import { Answer } from './fields';
import { Unjudged } from './levels';
import { useFinding } from './use-finding';
import type { FindingHandle } from './use-finding';

/** A test has its conditions beside it; once they are asked for, what is short stands beside it, one
   close below the other: of so many rows the empty ones take up the height. */
const Box = styled.div<{ $wide?: boolean; $tall?: boolean }>`
  @media (min-width: 760px) {
    grid-column: span ${(p) => (p.$wide ? 2 : 1)};
    grid-row: span ${(p) => (p.$tall ? 40 : 1)};
  }
  display: grid;
  gap: 2px;
  align-content: start;
  min-width: 0;
`;
const Name = styled.div`
  display: flex;
  align-items: center;
  gap: 4px;
  min-height: 26px;
  font-size: 0.875rem;
  b {
    margin-right: auto;
    font-weight: 600;
  }
`;
const Again = styled(AriaButton)`
  display: inline-flex;
  align-items: center;
  gap: 3px;
  min-height: 24px;
  padding: 0 4px;
  border: 0;
  background: transparent;
  color: var(--accent);
  font-size: 0.8125rem;
  cursor: pointer;
  &::before {
    content: '';
    position: absolute;
    inset: -10px -6px;
  }
  @media (pointer: coarse), (max-width: 700px) {
    min-height: 44px;
  }
  position: relative;
`;
const Aside = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(118px, 1fr));
  gap: 8px 12px;
  align-items: end;
  padding-left: 10px;
  border-left: 3px solid var(--rule);
`;
const Full = styled.div`
  grid-column: 1 / -1;
`;

interface Props {
  subject: Subject;
  point: CataloguePoint;
}

/** One point of a subject: what was found, under which conditions, and every further look at it. */
export const PointItem = memo(function PointItem({ subject, point }: Props) {
  const { write } = useBench();
  const { id } = point.point;
  const stored = useSlots(`${subject.slot}.${id}`) as [string, Finding][];
  const readings = stored.flatMap(([rest]) => (rest.startsWith('.') ? [rest.slice(1)] : []));
  const said = stored.some(([rest]) => rest === '');
  const { underConditions, again } = kindOf(point.point.field);
  if (point.point.picture)
    return stored.length === 0 ? null : (
      <Box data-point={`${subject.slot}.${id}`}>
        {stored.map(([rest]) => (
          <Painted key={rest} subject={subject} point={point} reading={rest.slice(1) || null} />
        ))}
      </Box>
    );
  return (
    <Box
      $wide={underConditions}
      $tall={underConditions && stored.length > 0}
      data-point={`${subject.slot}.${id}`}
    >
      <Reading
        subject={subject}
        point={point}
        reading={null}
        number={0}
        onAgain={
          said && again
            ? () => write(`${subject.slot}.${id}.${crypto.randomUUID().slice(0, 8)}`, { is: CANNOT_TELL })
            : null
        }
      />
      {readings.map((reading, k) => (
        <Reading
          key={reading}
          subject={subject}
          point={point}
          reading={reading}
          number={k + 2}
          onAgain={null}
        />
      ))}
    </Box>
  );
});

function Reading(props: Props & { reading: string | null; number: number; onAgain: (() => void) | null }) {
  const { subject, point, reading, number, onAgain } = props;
  const handle = useFinding(subject, point.point.id, reading);
  const again = number ? `, look ${number}` : '';
  const label = point.point.words + again;
  const { levelled } = kindOf(point.point.field);
  const named = levelled ? `${subject.name}, ${label.toLowerCase()}` : label;
  return (
    <>
      {(levelled || onAgain) && (
        <Name>
          {levelled && <b>{label}</b>}
          {levelled && <Unjudged handle={handle} label={named} />}
          {onAgain && (
            <Again
              aria-label={`${subject.name}, ${point.point.words.toLowerCase()}: look again`}
              onPress={onAgain}
            >
              <Plus size={14} aria-hidden /> Again
            </Again>
          )}
        </Name>
      )}
      {number === 0 && point.point.caution && <Caution>{point.point.caution}</Caution>}
      <Answer subject={subject} point={point} handle={handle} label={named} />
      {number === 0 && point.point.hint && <Caption>{point.point.hint}</Caption>}
      {handle.finding && <With subject={subject} point={point} handle={handle} label={label} />}
    </>
  );
}

/** What was painted in a picture, in words, and what goes with it. */
function Painted({ subject, point, reading }: Props & { reading: string | null }) {
  const handle = useFinding(subject, point.point.id, reading);
  if (!handle.finding) return null;
  const { where } = handle.finding;
  const label = `${point.point.words}${where ? `, ${where}` : ''}`;
  return (
    <>
      <Name>
        <span>
          <b>{label}:</b> {findingWords(point, handle.finding)}
        </span>
      </Name>
      <With subject={subject} point={point} handle={handle} label={label} />
    </>
  );
}

/** What goes with a finding: its conditions, where it is, and a word on it where something is wrong. */
function With({ point, handle, label }: Props & { handle: FindingHandle; label: string }) {
  const { keepName } = useBench();
  const finding = handle.finding!;
  const { ask = [], field } = point.point;
  // In a picture the place is where it was painted.
  const where = point.point.picture ? undefined : point.point.where;
  const level = typeof finding.is === 'string' ? point.levels.get(finding.is) : undefined;
  const wrong = (level?.severity ?? 0) > 0 || finding.is === TAKEDOWN || finding.is === CANNOT_TELL;
  const asked = (['warmth', 'temperatureC', 'pressureKpa', 'oilFilm'] as const).filter(
    (c) => ask.includes(c) || finding[c] !== undefined,
  );
  const notes = (wrong && !kindOf(field).saysItself) || finding.note !== undefined;
  if (asked.length === 0 && !(where && wrong) && !notes && !(where && finding.where)) return null;
  return (
    <Aside>
      {asked.map((c) => (
        <ConditionField key={c} condition={c} handle={handle} label={label} />
      ))}
      {(wrong || finding.where) && where && (
        <Full>
          <Choice
            small
            label={`Where: ${label.toLowerCase()}`}
            dense
            value={where.includes(finding.where ?? '') ? finding.where : undefined}
            options={where.map((w) => ({ value: w, label: w }))}
            onChange={(w) => handle.add({ where: w })}
          />
        </Full>
      )}
      {notes && (
        <Full>
          <TextInput
            label={`Note: ${label.toLowerCase()}`}
            maxLength={1000}
            pause
            keep={keepName(`${handle.slot} note`)}
            value={finding.note ?? ''}
            onChange={(text) => handle.add({ note: text.trim() ? text : null })}
          />
        </Full>
      )}
    </Aside>
  );
}

const WARMTH_OPTIONS = WARMTHS.map((w) => ({ value: w, label: w.charAt(0).toUpperCase() + w.slice(1) }));

function ConditionField(props: { condition: Condition; handle: FindingHandle; label: string }) {
  const { condition, handle, label } = props;
  const { keepName } = useBench();
  const finding = handle.finding!;
  switch (condition) {
    case 'warmth':
      return (
        <Choice<Warmth>
          label={`How warm: ${label.toLowerCase()}`}
          dense
          value={finding.warmth}
          options={WARMTH_OPTIONS}
          onChange={(warmth) => handle.add({ warmth })}
        />
      );
    case 'oilFilm':
      return (
        <Choice
          label={`Oil film: ${label.toLowerCase()}`}
          dense
          value={finding.oilFilm === undefined ? undefined : finding.oilFilm ? 'yes' : 'no'}
          options={[
            { value: 'yes', label: 'Oil film' },
            { value: 'no', label: 'Dry' },
          ]}
          onChange={(v) => handle.add({ oilFilm: v === null ? null : v === 'yes' })}
        />
      );
    case 'temperatureC':
    case 'pressureKpa': {
      const [words, unit, min, max] =
        condition === 'temperatureC'
          ? (['Temperature', '°C', -40, 250] as const)
          : (['Air pressure', 'kPa', 0, 2000] as const);
      return (
        <NumberInput
          label={words}
          unit={unit}
          min={min}
          max={max}
          pause
          keep={keepName(`${handle.slot} ${condition}`)}
          value={finding[condition]}
          onChange={(v) => handle.add({ [condition]: v })}
        />
      );
    }
  }
}
