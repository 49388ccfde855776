'use client';
import { Check } from 'lucide-react';
import { useMemo, useState } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import { valueOf } from '@/core/case';
import { stationsInOrder } from '@/core/unit';
import type { Station, UnitDefinition } from '@/core/unit';
import { useJob } from '@/ui/job/provider';
import { marksOf, UnitStrip } from '@/ui/strip';
import type { DeviceMark } from '@/ui/strip';
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
  display: flex;
  flex-wrap: wrap;
  gap: 4px;
`;
const Tab = styled(ToggleButton)`
  display: inline-flex;
  align-items: center;
  gap: 6px;
  min-height: 44px;
  padding: 0 9px;
  font-size: 0.9375rem;
  border: 1.5px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  font-stretch: 82%;
  cursor: pointer;
  &[data-out] {
    border-style: dashed;
    color: var(--ink-soft);
  }
  &[data-selected] {
    background: var(--ink);
    color: var(--sheet);
    border-color: var(--ink);
    border-style: solid;
    box-shadow: inset 0 -4px 0 var(--accent);
  }
  b {
    font-weight: 700;
  }
`;
const Head = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 12px 20px;
  padding: 18px 0;
  h2 {
    font-size: 1.375rem;
    margin-right: auto;
  }
  p {
    flex-basis: 100%;
    color: var(--ink-soft);
  }
`;

/** The unit taken apart, station by station in removal order; each part graded as it comes out. */
export function Teardown() {
  const { unit, state } = useJob();
  const order = stationsInOrder(unit);
  const firstIn = order.find((s) => !valueOf(state, `station.${s.id}.out`)) ?? order[0]!;
  const [chosen, setChosen] = useState<string | null>(null);
  const [initial] = useState(firstIn.id);
  const station = order.find((s) => s.id === (chosen ?? initial))!;
  const marks = useMemo(() => withCurrent(unit, marksOf(unit, state), station.id), [unit, state, station.id]);
  return (
    <Stack $gap={14}>
      <UnitStrip unit={unit} marks={marks} rails={false} onSelect={(d) => setChosen(d.station)} />
      <Stations aria-label="Stations in removal order">
        {order.map((s) => {
          const out = valueOf(state, `station.${s.id}.out`) === true;
          return (
            <li key={s.id}>
              <Tab
                isSelected={s.id === station.id}
                data-out={out || undefined}
                onChange={() => setChosen(s.id)}
              >
                <b>{s.order}</b> {s.name}
                {out && <Check size={16} aria-label="out" />}
              </Tab>
            </li>
          );
        })}
      </Stations>
      <StationSheet key={station.id} station={station} />
    </Stack>
  );
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

function StationSheet({ station }: { station: Station }) {
  const { unit, state, write } = useJob();
  const out = valueOf(state, `station.${station.id}.out`) === true;
  const inTheWay = station.blockedBy
    .filter((id) => !valueOf(state, `station.${id}.out`))
    .map((id) => unit.stations.find((s) => s.id === id)!.name);
  const parts = inspectedParts(unit, station.id);
  const solenoids = unit.solenoids.filter(
    (s) => unit.parts.find((p) => p.id === s.part)?.station === station.id,
  );
  const elements = unit.elements.filter((e) => e.station === station.id);
  return (
    <Page>
      <Head>
        <h2>
          {station.order}. {station.name}
        </h2>
        <Button
          $kind={out ? 'plain' : 'main'}
          onPress={() => write(`station.${station.id}.out`, out ? null : true)}
        >
          {out ? 'Out: put back on record' : 'It is out'}
        </Button>
        {station.tools.length > 0 && <p>Tools: {station.tools.join(', ')}</p>}
      </Head>
      {(station.cautions.length > 0 || (inTheWay.length > 0 && !out)) && (
        <Stack $gap={6}>
          {station.cautions.map((c) => (
            <Caution key={c}>{c}</Caution>
          ))}
          {inTheWay.length > 0 && !out && <Notice>Still in the way: {inTheWay.join(', ')}.</Notice>}
        </Stack>
      )}
      {station.id === 'converter' && (
        <Section title="Converter">
          <ConverterItem />
        </Section>
      )}
      {unit.parts.some((p) => p.id === 'filter' && p.station === station.id) && (
        <>
          <Section
            title="Debris"
            note="Kind by kind. None is an answer too: a kind left open was not looked for."
          >
            <DebrisItem />
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
}

/** Parts graded one by one: not those with an editor of their own, nor what only comes in a box. */
function inspectedParts(unit: UnitDefinition, station: string) {
  const linings = new Set(unit.elements.flatMap((e) => e.liningParts ?? []));
  const own = new Set(['converter', 'filter', ...unit.solenoids.map((s) => s.part), ...linings]);
  return unit.parts
    .filter((p) => p.station === station && p.failure && !own.has(p.id))
    .sort((a, b) => (b.weakness ?? 0) - (a.weakness ?? 0));
}
