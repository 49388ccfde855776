'use client';
import styled from 'styled-components';
import type { Finding } from '@/core/case';
import { findingWords, kindOf, measureOf, paperLines, stillInTheWay } from '@/core/inspection';
import type { CataloguePoint, Subject } from '@/core/inspection';
import { stationsInOrder } from '@/core/unit';
import type { Station } from '@/core/unit';
import { useInspection } from '@/ui/job/use-inspection';
import { useJob } from '@/ui/job/provider';
import { Button, Caution, Line } from '@/ui/system';

const Sheet = styled.article`
  padding: 20px 28px;
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  font-size: 0.875rem;
  h2 {
    font-size: 1.25rem;
  }
  h3 {
    margin-top: 18px;
    font-size: 1rem;
    border-bottom: 2px solid var(--ink);
  }
  @media print {
    padding: 0;
    border: 0;
    font-size: 8.5pt;
    section {
      break-inside: auto;
    }
    h3 {
      break-after: avoid;
    }
    li {
      break-inside: avoid;
    }
  }
`;
const Traps = styled.p`
  color: var(--ink-soft);
`;
const Things = styled.ul`
  li {
    display: grid;
    grid-template-columns: 172px minmax(0, 1fr);
    gap: 12px;
    padding: 4px 0;
    border-bottom: 1px solid var(--rule);
  }
  b {
    font-weight: 650;
  }
`;
const Points = styled.span`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 18px;
  font-stretch: 88%;
`;
const Box = styled.span<{ $on: boolean }>`
  display: inline-block;
  width: 0.8em;
  height: 0.8em;
  margin: 0 4px 0 8px;
  border: 1px solid var(--ink);
  background: ${(p) => (p.$on ? 'var(--ink)' : 'none')};
  print-color-adjust: exact;
`;
const Blank = styled.span`
  display: inline-block;
  min-width: 64px;
  margin: 0 4px 0 8px;
  border-bottom: 1px solid var(--ink);
`;

/** The whole teardown on paper, to be filled in by hand or read as it was found. */
export function Paper() {
  const { unit, number } = useJob();
  return (
    <Sheet aria-label={`Teardown sheet of job ${number}`}>
      <Line>
        <h2 style={{ marginRight: 'auto' }}>
          Job {number}: {unit.name}
        </h2>
        <span data-noprint>
          <Button onPress={() => window.print()}>Print</Button>
        </span>
      </Line>
      <Traps>Limits are the shop’s until the unit’s own manual replaces them.</Traps>
      {stationsInOrder(unit).map((station) => (
        <StationOnPaper key={station.id} station={station} />
      ))}
    </Sheet>
  );
}

function StationOnPaper({ station }: { station: Station }) {
  const inspection = useInspection();
  const { state, unit } = useJob();
  const out = state[`station.${station.id}.out`]?.value === true;
  const before = out ? stillInTheWay(unit, state, station) : [];
  return (
    <section aria-label={station.name}>
      <h3>
        {station.order}. {station.name}
        <Box $on={out} aria-hidden />
        {out ? 'out' : ''}
      </h3>
      {station.cautions.map((c) => (
        <Caution key={c}>{c}</Caution>
      ))}
      <Traps>{[...station.fasteners, ...station.tools].join(' · ')}</Traps>
      {before.length > 0 && <Traps>Taken out before: {before.map((s) => s.name).join(', ')}.</Traps>}
      <Things>
        {paperLines(inspection, station.id).map(({ subject, points }) => (
          <li key={subject.slot}>
            <b>{subject.name}</b>
            <Points>
              {points.map(({ point, limit }) => (
                <PointOnPaper key={point.key} subject={subject} point={point} limit={limit} />
              ))}
            </Points>
          </li>
        ))}
      </Things>
    </section>
  );
}

function PointOnPaper({ subject, point, limit }: { subject: Subject; point: CataloguePoint; limit: string }) {
  const { state } = useJob();
  const name = `${subject.slot}.${point.point.id}`;
  const found = Object.keys(state)
    .filter((slot) => slot === name || slot.startsWith(`${name}.`))
    .map((slot) => state[slot]!.value as Finding);
  const words = point.file.id === 'part' ? '' : point.point.words;
  const only = found.length === 1 && found[0]!.note === undefined ? found[0]!.is : undefined;
  if (kindOf(point.point.field).levelled && (found.length === 0 || point.levels.has(String(only))))
    return (
      <span>
        {words}
        {[...point.levels.values()].map((level) => (
          <span key={level.id}>
            <Box $on={level.id === only} aria-hidden />
            {level.id === only ? <b>{level.words}</b> : level.words}
          </span>
        ))}
      </span>
    );
  return (
    <span>
      {words}
      {found.length === 0 ? (
        <Blank />
      ) : (
        <b>
          {' '}
          {found
            .map((f) => [findingWords(point, f), f.where, f.note].filter(Boolean).join(', '))
            .join('; ')}{' '}
        </b>
      )}
      {found.length === 0 ? measureOf(point.point)?.unit : ''} {limit}
    </span>
  );
}
