'use client';
import { Check, Redo } from 'lucide-react';
import { memo, useEffect, useRef } from 'react';
import { ToggleButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Station } from '@/core/unit';
import { useJob, useSlot } from '@/ui/job/provider';
import { skippedStations } from '@/core/inspection';

const List = styled.ol`
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: 3px;
  @media (max-width: 1000px) {
    grid-auto-columns: minmax(92px, 1fr);
    overflow-x: auto;
  }
`;
const Tab = styled(ToggleButton)`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 1px 4px;
  align-content: start;
  width: 100%;
  height: 60px;
  padding: 3px 2px 0 5px;
  border: 0;
  border-top: 4px solid var(--rule-strong);
  background: var(--sheet);
  color: var(--ink);
  font-size: 0.75rem;
  font-stretch: 74%;
  line-height: 1.05;
  text-align: left;
  overflow: hidden;
  cursor: pointer;
  b {
    font-size: 0.875rem;
    line-height: 1;
  }
  span {
    grid-column: 1 / -1;
    grid-row: 2;
    display: -webkit-box;
    -webkit-box-orient: vertical;
    -webkit-line-clamp: 3;
    overflow: hidden;
    overflow-wrap: normal;
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

/** The stations in removal order; what is out is ticked. */
export function Stations(props: {
  order: readonly Station[];
  chosen: string;
  onChoose: (id: string) => void;
}) {
  const { unit, state } = useJob();
  const skipped = skippedStations(unit, state);
  const list = useRef<HTMLOListElement>(null);
  // Where not all stations fit, the one that is looked at is in sight.
  useEffect(() => {
    const tab = list.current?.querySelector<HTMLElement>('[aria-pressed=true]');
    if (list.current && tab)
      list.current.scrollLeft = tab.offsetLeft - (list.current.clientWidth - tab.offsetWidth) / 2;
  }, [props.chosen]);
  return (
    <List ref={list} aria-label="Stations in removal order">
      {props.order.map((s) => (
        <li key={s.id}>
          <StationTab
            station={s}
            chosen={s.id === props.chosen}
            skipped={skipped.has(s.id)}
            onChoose={props.onChoose}
          />
        </li>
      ))}
    </List>
  );
}

const StationTab = memo(function StationTab(props: {
  station: Station;
  chosen: boolean;
  /** Still in while a later one is out. */
  skipped: boolean;
  onChoose: (id: string) => void;
}) {
  const { station, skipped } = props;
  const out = useSlot(`station.${station.id}.out`) === true;
  return (
    <Tab
      aria-label={`${station.order} ${station.name}${out ? ', out' : skipped ? ', passed over' : ''}`}
      isSelected={props.chosen}
      data-out={out || undefined}
      onChange={() => props.onChoose(station.id)}
    >
      <b>{station.order}</b>
      <span>{station.name}</span>
      {out && <Check size={14} aria-hidden />}
      {skipped && <Redo size={14} aria-hidden />}
    </Tab>
  );
});
