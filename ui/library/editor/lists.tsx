'use client';
import { formatMoney } from '@/core/shop';
import { useState } from 'react';
import { idFrom } from '@/core/unit';
import type { UnitDefinition } from '@/core/unit';
import { Button, Section } from '@/ui/system';
import { BEARINGS, LABOUR, MEMBERS, SENSORS, SOLENOIDS, SPECS, STATIONS, VARIANTS } from './list-columns';
import { limitsWords } from '../units';
import { PARTS } from './part-columns';
import { Rows } from './rows';
import type { Column } from './rows';
import type { Change } from './use-draft';

type ListKey =
  | 'members'
  | 'stations'
  | 'parts'
  | 'solenoids'
  | 'sensors'
  | 'bearings'
  | 'specs'
  | 'variants'
  | 'labour';
type Item<K extends ListKey> = UnitDefinition[K][number];

interface ListForm<K extends ListKey> {
  key: K;
  title: string;
  note: string;
  addWords: string;
  columns: Column<Item<K>>[];
  blank: (unit: UnitDefinition, id: string) => Item<K>;
  aside?: (row: Item<K>, currency: string) => string;
}

const form = <K extends ListKey>(f: ListForm<K>): ListForm<K> => f;
const lastStation = (u: UnitDefinition) => u.stations.at(-1)!.id;

const FORMS = [
  form({
    key: 'stations',
    title: 'Takedown',
    note: 'Places in removal order, with what must be out first and what can hurt.',
    addWords: 'Add a station',
    columns: STATIONS,
    blank: (u, id) => ({
      id,
      name: 'New station',
      order: u.stations.length + 1,
      position: 0.5,
      blockedBy: [],
      cautions: [],
      tools: [],
      fasteners: [],
    }),
    aside: (s) =>
      [`${s.order}`, s.blockedBy.length && `after ${s.blockedBy.length}`].filter(Boolean).join(', '),
  }),
  form({
    key: 'parts',
    title: 'Parts',
    note: 'Prices, delivery, kit, and how often each starts trouble.',
    addWords: 'Add a part',
    columns: PARTS,
    blank: (u, id) => ({ id, name: 'New part', station: lastStation(u), material: 'steel' }),
    aside: (p, currency) => (p.price === undefined ? '' : formatMoney(p.price, currency)),
  }),
  form({
    key: 'specs',
    title: 'Limits',
    note: 'End plays, clearances, pressures, flow, torques.',
    addWords: 'Add a limit',
    columns: SPECS,
    blank: (u, id) => ({
      id,
      name: 'New limit',
      kind: 'end-play',
      station: lastStation(u),
      min: 0,
      max: 0.001,
    }),
    aside: (s) => (s.min === undefined && s.max === undefined ? '' : limitsWords(s)),
  }),
  form({
    key: 'solenoids',
    title: 'Solenoids',
    note: 'With their resistance at 20 °C.',
    addWords: 'Add a solenoid',
    columns: SOLENOIDS,
    blank: (u, id) => ({
      id,
      name: 'New solenoid',
      kind: 'on-off',
      role: 'pressure',
      ohm: { min: 10, max: 15 },
      part: u.parts[0]!.id,
    }),
    aside: (s) => `${s.ohm.min} to ${s.ohm.max} Ω`,
  }),
  form({
    key: 'sensors',
    title: 'Sensors',
    note: 'Magnetic tips gather fine metal.',
    addWords: 'Add a sensor',
    columns: SENSORS,
    blank: (u, id) => ({ id, name: 'New sensor', kind: 'speed', magnetic: false, station: lastStation(u) }),
  }),
  form({
    key: 'bearings',
    title: 'Bearings',
    note: 'Between members, or a member and the case: for noises.',
    addWords: 'Add a bearing',
    columns: BEARINGS,
    blank: (u, id) => ({ id, name: 'New bearing', a: u.output, b: 'case', station: lastStation(u) }),
  }),
  form({
    key: 'variants',
    title: 'Variants',
    note: 'Parts of one name that differ, with the measurement that tells.',
    addWords: 'Add a variant',
    columns: VARIANTS,
    blank: (u, id) => ({
      id,
      name: 'Two of one name',
      part: u.parts[0]!.id,
      measure: 'What is measured, before ordering',
      readings: [],
    }),
  }),
  form({
    key: 'labour',
    title: 'Labour',
    note: 'Hours of each operation.',
    addWords: 'Add an operation',
    columns: LABOUR,
    blank: (_, id) => ({ id, name: 'New operation', hours: 1 }),
    aside: (l) => `${l.hours} h`,
  }),
  form({
    key: 'members',
    title: 'Members',
    note: 'The rotating parts by name; they are made and joined above.',
    addWords: '',
    columns: MEMBERS,
    blank: (_, id) => ({ id, name: 'Member' }),
  }),
] as const;

/** Everything besides the powerflow, list by list, closed until somebody opens it. */
export function Lists({ unit, change }: { unit: UnitDefinition; change: Change }) {
  return FORMS.map((f) => (
    <OneList key={f.key} unit={unit} change={change} form={f as unknown as ListForm<ListKey>} />
  ));
}

function OneList({
  unit,
  change,
  form: f,
}: {
  unit: UnitDefinition;
  change: Change;
  form: ListForm<ListKey>;
}) {
  const [open, setOpen] = useState(false);
  const rows = unit[f.key] as Item<ListKey>[];
  const set = (list: Item<ListKey>[]) => change((u) => ({ ...u, [f.key]: list }));
  return (
    <Section title={f.title} note={f.note}>
      {!open ? (
        <Button $kind="quiet" onPress={() => setOpen(true)}>
          {rows.length === 0
            ? `None yet: ${f.addWords.toLowerCase()}`
            : `Open ${rows.length === 1 ? 'one' : rows.length}`}
        </Button>
      ) : (
        <Rows
          unit={unit}
          rows={rows}
          columns={f.columns}
          aside={f.aside}
          addWords={f.addWords}
          onAdd={() =>
            set([
              ...rows,
              f.blank(
                unit,
                idFrom(
                  f.key,
                  rows.map((r) => r.id),
                ),
              ),
            ])
          }
          onChange={(row) => set(rows.map((r) => (r.id === row.id ? row : r)))}
          onRemove={(id) => set(rows.filter((r) => r.id !== id))}
        />
      )}
    </Section>
  );
}
