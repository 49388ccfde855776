'use client';
import { useCallback, useMemo, useState } from 'react';
import styled from 'styled-components';
import { isDonor, valueOf } from '@/core/case';
import type { Hit } from '@/core/inspection';
import { stationsInOrder } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { useInspection } from '@/ui/job/use-inspection';
import { useJob } from '@/ui/job/provider';
import { marksOf, UnitSection } from '@/ui/section';
import type { Device, DeviceMark } from '@/ui/section';
import { Notice } from '@/ui/system';
import { StationSheet } from './station-sheet';
import type { Sought } from './station-sheet';
import { Stations } from './stations';

const Bench = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
`;
/** Drawing and stations stay in sight while the rows go by. */
const Top = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 6px;
  background: var(--ground);
  @media (min-width: 700px) and (min-height: 700px) {
    position: sticky;
    top: 0;
    z-index: 1;
    padding: 4px 0;
  }
  figure svg {
    max-height: 126px;
  }
`;

/** The unit taken apart, station by station in removal order; each thing graded as it comes out. */
export function Teardown() {
  const { unit, state, user } = useJob();
  const inspection = useInspection();
  const order = useMemo(() => stationsInOrder(unit), [unit]);
  const firstIn = order.find((s) => !valueOf(state, `station.${s.id}.out`)) ?? order[0]!;
  const [chosen, setChosen] = useState(firstIn.id);
  const station = order.find((s) => s.id === chosen) ?? order[0]!;
  const next = order[order.indexOf(station) + 1] ?? null;
  const [sought, setSought] = useState<Sought | null>(null);
  const choose = useCallback((id: string) => {
    setChosen(id);
    setSought(null);
  }, []);
  const goNext = useCallback(() => next && choose(next.id), [next, choose]);
  const goTo = useCallback(({ subject, point }: Hit) => {
    setChosen(subject.station!);
    setSought((before) => ({ subject, point: point?.point.id ?? null, time: (before?.time ?? 0) + 1 }));
  }, []);
  return (
    <Bench>
      {user.role === 'counter' && (
        <Notice>The counter reads here: what is found is written by the technician or the owner.</Notice>
      )}
      {isDonor(state) && valueOf(state, 'unit.debris.water') === undefined && (
        <Notice>
          A core bought for its parts: look for water first, as milk or rust in the pan, on the magnets and in
          the cooler lines. Nothing goes on the shelf before.
        </Notice>
      )}
      <Top>
        <UnitSection
          unit={unit}
          marks={useSame(withCurrent(unit, marksOf(inspection, state), station.id))}
          onSelect={useCallback((d: Device) => d.station && choose(d.station), [choose])}
        />
        <Stations order={order} chosen={station.id} onChoose={choose} />
      </Top>
      <StationSheet
        key={`${station.id} ${sought?.time ?? ''}`}
        station={station}
        next={next}
        onNext={goNext}
        onFind={goTo}
        sought={sought}
      />
    </Bench>
  );
}

/** The value as it was before, while it says the same: what is drawn from it is not drawn anew. */
function useSame<T>(value: T): T {
  const [kept, setKept] = useState(value);
  const same = JSON.stringify(kept) === JSON.stringify(value);
  if (!same) setKept(value);
  return same ? kept : value;
}

function withCurrent(
  unit: UnitDefinition,
  marks: Record<string, DeviceMark>,
  station: string,
): Record<string, DeviceMark> {
  const here = [...unit.elements, ...unit.gearsets].filter((x) => x.station === station).map((x) => x.id);
  return Object.fromEntries(
    Object.entries(marks).map(([id, m]) => [id, { ...m, current: here.includes(id) || id === station }]),
  );
}
