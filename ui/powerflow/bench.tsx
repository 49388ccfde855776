'use client';
import { useMemo, useState } from 'react';
import styled from 'styled-components';
import { solveGear } from '@/core/powerflow';
import { gearOf } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { UnitSection } from '@/ui/section';
import type { DeviceMark } from '@/ui/section';
import { Section } from '@/ui/system';
import { FaultPanel } from './fault-panel';
import { flowOf } from './flow';
import { GearPicker } from './gear-picker';
import { SpeedLadder } from './ladder';
import { Sides } from './sides';
import { TorqueTable } from './torques';
import { TurningList } from './turning-list';
import type { Powerflow } from './use-powerflow';
import { outcomeWords } from './words';

const Top = styled.section`
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  figure {
    border: 0;
    border-bottom: 1px solid var(--rule);
  }
`;
const Controls = styled.div`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 18px;
  padding: 10px 12px;
`;
const Says = styled.div`
  padding: 0 12px 12px;
  display: grid;
  gap: 4px;
`;

/** The drawing with torque in it, the gears to step through, the faults to try, and what the gear then does. */
export function BenchTop(props: {
  unit: UnitDefinition;
  flow: Powerflow;
  marks: Record<string, DeviceMark>;
  suspected?: string;
  member?: string | null;
}) {
  const { unit, flow } = props;
  const solution = useMemo(() => solveGear(unit, flow.gear, flow.faults), [unit, flow.gear, flow.faults]);
  const lit = useMemo(() => flowOf(unit, flow.gear, flow.faults), [unit, flow.gear, flow.faults]);
  return (
    <Top aria-label="Powerflow">
      <UnitSection
        unit={unit}
        marks={props.marks}
        flow={lit}
        faults={flow.faults}
        member={props.member}
        onSelect={flow.touch}
        onBreak={flow.breakPart}
      />
      <Controls data-noprint>
        <GearPicker unit={unit} value={flow.gear} onChange={flow.setGear} onStep={flow.step} />
        <FaultPanel unit={unit} flow={flow} suspected={props.suspected} />
      </Controls>
      <Says>
        <p>
          <b>{gearOf(unit, flow.gear).name}.</b> {outcomeWords(unit, solution, flow.faults)}
        </p>
        <Sides unit={unit} faults={flow.faults} />
      </Says>
    </Top>
  );
}

const Two = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(260px, 1fr);
  gap: 28px;
  align-items: start;
  @media (max-width: 1100px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;

/** The gear in figures: who carries what, how fast everything turns, what turns on what. */
export function BenchDetail(props: {
  unit: UnitDefinition;
  flow: Powerflow;
  onPoint: (member: string | null) => void;
}) {
  const { unit, flow } = props;
  const tiedUp = useMemo(
    () => solveGear(unit, flow.gear, flow.faults).outcome === 'tie-up',
    [unit, flow.gear, flow.faults],
  );
  const note = `In ${flow.gear}, at the engine’s ${unit.engine.torqueNm} N·m and full line pressure. Speeds are per turn of the input.`;
  if (tiedUp)
    return (
      <Section title="Torque and speed" note={note}>
        Tied up: nothing turns until one of those that fight lets go.
      </Section>
    );
  return (
    <>
      <Section title="Torque and speed" note={note}>
        <Two>
          <TorqueTable unit={unit} gear={flow.gear} faults={flow.faults} />
          <SpeedLadder unit={unit} gear={flow.gear} faults={flow.faults} onPoint={props.onPoint} />
        </Two>
      </Section>
      <Section
        title="What turns"
        note="Against its pin, race or other side, per turn of the input. A noise belongs to what turns in just its gears."
      >
        <TurningList unit={unit} gear={flow.gear} faults={flow.faults} />
      </Section>
    </>
  );
}

/** A member to point out in the drawing. */
export function usePointed() {
  return useState<string | null>(null);
}
