'use client';
import { Check } from 'lucide-react';
import { memo, useCallback, useMemo, useState } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import { valueOf } from '@/core/case';
import { partsWithRole, stationOfRole, stationsInOrder } from '@/core/unit';
import type { Station, UnitDefinition } from '@/core/unit';
import { Fluid } from '@/ui/intake/fluid';
import { useBench, useJob, useSlot } from '@/ui/job/provider';
import { marksOf, UnitStrip } from '@/ui/strip';
import type { Device, DeviceMark } from '@/ui/strip';
import { Button, Caution, Line, Notice, Page, Section, Stack } from '@/ui/system';
import {
  AirTestItem,
  BandItem,
  ConverterItem,
  DebrisItem,
  FilterItem,
  PartItem,
  SolenoidItem,
} from './items';
import { PackEditor } from './pack-editor';
import { PhotoOf } from './photos';

const Stations = styled.ol`
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: 3px;
  @media (max-width: 900px) {
    grid-auto-flow: row;
    grid-template-columns: repeat(auto-fill, minmax(104px, 1fr));
  }
`;
const Tab = styled(ToggleButton)`
  display: grid;
  grid-template-rows: auto 1fr;
  gap: 1px;
  width: 100%;
  height: 100%;
  min-height: 68px;
  padding: 5px 5px 7px;
  border: 0;
  border-top: 4px solid var(--rule-strong);
  background: var(--sheet);
  color: var(--ink);
  font-size: 0.8125rem;
  font-stretch: 80%;
  line-height: 1.15;
  text-align: left;
  cursor: pointer;
  hyphens: auto;
  span {
    display: flex;
    justify-content: space-between;
    align-items: center;
    font-size: 0.9375rem;
    font-weight: 700;
  }
  &[data-hovered] {
    background: var(--inset);
  }
  &[data-out] {
    border-top-style: dotted;
    background: transparent;
    color: var(--ink-soft);
  }
  &[data-selected] {
    background: var(--ink);
    color: var(--sheet);
    border-top: 4px solid var(--accent);
  }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 20px;
  padding: 14px 0;
  div {
    margin-right: auto;
  }
  h2 {
    font-size: 1.375rem;
  }
  p {
    font-size: 0.9375rem;
    color: var(--ink-soft);
  }
`;

/** The unit taken apart, station by station in removal order; each part graded as it comes out. */
export function Teardown() {
  const { unit, state } = useJob();
  const order = useMemo(() => stationsInOrder(unit), [unit]);
  const firstIn = order.find((s) => !valueOf(state, `station.${s.id}.out`)) ?? order[0]!;
  const [chosen, setChosen] = useState<string | null>(null);
  const [initial] = useState(firstIn.id);
  const station = order.find((s) => s.id === (chosen ?? initial))!;
  return (
    <Stack $gap={10}>
      <UnitStrip
        unit={unit}
        marks={useSame(withCurrent(unit, marksOf(unit, state), station.id))}
        onSelect={useCallback((d: Device) => setChosen(d.station), [])}
      />
      <Stations aria-label="Stations in removal order">
        {order.map((s) => (
          <li key={s.id}>
            <StationTab station={s} chosen={s.id === station.id} onChoose={setChosen} />
          </li>
        ))}
      </Stations>
      <StationSheet key={station.id} station={station} />
    </Stack>
  );
}

const StationTab = memo(function StationTab(props: {
  station: Station;
  chosen: boolean;
  onChoose: (id: string) => void;
}) {
  const { station } = props;
  const out = useSlot(`station.${station.id}.out`) === true;
  return (
    <Tab isSelected={props.chosen} data-out={out || undefined} onChange={() => props.onChoose(station.id)}>
      <span>
        {station.order}
        {out && <Check size={15} aria-label="out" />}
      </span>
      {station.name}
    </Tab>
  );
});

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

const StationSheet = memo(function StationSheet({ station }: { station: Station }) {
  const { unit, write } = useBench();
  const converterStation = unit.parts.find((p) => p.id === unit.converter.part)?.station;
  const out = useSlot(`station.${station.id}.out`) === true;
  const parts = inspectedParts(unit, station.id);
  const solenoids = unit.solenoids.filter(
    (s) => unit.parts.find((p) => p.id === s.part)?.station === station.id,
  );
  const elements = unit.elements.filter((e) => e.station === station.id);
  return (
    <Page>
      <Head>
        <div>
          <h2>
            {station.order}. {station.name}
          </h2>
          {station.tools.length > 0 && <p>Tools: {station.tools.join(', ')}</p>}
        </div>
        <Button
          $kind={out ? 'plain' : 'main'}
          onPress={() => write(`station.${station.id}.out`, out ? null : true)}
        >
          {out ? 'Out: put back on record' : 'It is out'}
        </Button>
      </Head>
      <Stack $gap={6}>
        {station.cautions.map((c) => (
          <Caution key={c}>{c}</Caution>
        ))}
        {!out && <InTheWay station={station} />}
      </Stack>
      {station.id === converterStation && (
        <Section title="Converter">
          <ConverterItem />
        </Section>
      )}
      {station.id === stationOfRole(unit, 'filter') && (
        <>
          <Section
            title="Debris"
            note="Kind by kind. None is an answer too: a kind left open was not looked for."
          >
            <DebrisItem />
          </Section>
          <Section title="Fluid" note="As it ran out; the same record as at Intake.">
            <Fluid />
          </Section>
          <Section title="Filter">
            <FilterItem />
          </Section>
        </>
      )}
      {elements.map((element) => (
        <Section
          key={element.id}
          title={element.name}
          note={
            element.pack
              ? 'Press a condition, drag it over the faces. Or: arrow keys to move, number to paint.'
              : undefined
          }
        >
          <Stack $gap={20}>
            {element.pack && (
              <>
                <PackEditor element={element} />
                <PhotoOf about={`plate.${element.id}`} name={element.name.toLowerCase()} />
              </>
            )}
            {element.band && <BandItem element={element} />}
            {(element.pack || element.band) && (
              <div>
                <Caution>Dry regulated air, eye protection, no hand in the path of the piston.</Caution>
                <Line style={{ marginTop: 10 }}>
                  <AirTestItem element={element} />
                </Line>
              </div>
            )}
            {element.kind === 'one-way' && (
              <p>
                Turn it both ways: it must hold one way and run free the other. Grade it among the parts
                below.
              </p>
            )}
          </Stack>
        </Section>
      ))}
      {solenoids.length > 0 && (
        <Section
          title="Solenoids"
          note="Corrected to 20 °C: copper gains 0.39 % per kelvin. Good resistance does not clear a valve stuck by oil."
        >
          {solenoids.map((s) => (
            <SolenoidItem key={s.id} solenoid={s} />
          ))}
        </Section>
      )}
      {parts.length > 0 && (
        <Section title="Parts" note="Nothing pressed: nobody looked. That is never taken for sound.">
          {parts.map((part) => (
            <PartItem key={part.id} part={part} />
          ))}
        </Section>
      )}
    </Page>
  );
});

/** Stations that block this one and are not out yet. */
function InTheWay({ station }: { station: Station }) {
  const { unit, state } = useJob();
  const names = station.blockedBy
    .filter((id) => !valueOf(state, `station.${id}.out`))
    .map((id) => unit.stations.find((s) => s.id === id)!.name);
  return names.length > 0 ? <Notice>Still in the way: {names.join(', ')}.</Notice> : null;
}

/** Parts graded one by one: not those with an editor of their own, nor what only comes in a box. */
function inspectedParts(unit: UnitDefinition, station: string) {
  const linings = new Set(unit.elements.flatMap((e) => e.liningParts ?? []));
  const own = new Set([
    unit.converter.part,
    ...partsWithRole(unit, 'filter').map((p) => p.id),
    ...unit.solenoids.map((s) => s.part),
    ...linings,
  ]);
  return unit.parts
    .filter((p) => p.station === station && p.failure && !own.has(p.id))
    .sort((a, b) => (b.weakness ?? 0) - (a.weakness ?? 0));
}
