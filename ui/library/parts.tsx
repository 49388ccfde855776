'use client';
import { formatMoney } from '@/core/shop';
import { ChevronDown, ChevronRight } from 'lucide-react';
import { useState } from 'react';
import { stationsInOrder } from '@/core/unit';
import type { LabourOperation, Part, UnitDefinition } from '@/core/unit';
import { Button, Section, Stack } from '@/ui/system';
import { Table } from './tables';
import { mm } from './units';

const KIT = { overhaul: 'in the kit', separate: 'not in the kit', always: 'always renewed' };

/** Every part by the place it comes out at, as it is ordered; a place opens at a press. */
export function Parts({ unit, currency }: { unit: UnitDefinition; currency: string }) {
  const stations = stationsInOrder(unit);
  const [open, setOpen] = useState<ReadonlySet<string>>(new Set());
  const all = open.size === stations.length;
  const turn = (id: string) =>
    setOpen((now) => (now.has(id) ? new Set([...now].filter((o) => o !== id)) : new Set([...now, id])));
  return (
    <Section
      title="Parts"
      note="By place, in removal order; the known weak points of a place first. Rate 1 is like its peers."
    >
      <Stack $gap={8}>
        <div>
          <Button $kind="quiet" onPress={() => setOpen(all ? new Set() : new Set(stations.map((s) => s.id)))}>
            {all ? 'Close all places' : `Open all ${unit.parts.length} parts`}
          </Button>
        </div>
        <Table>
          <thead>
            <tr>
              <th>Part</th>
              <th>Material</th>
              <th data-number>Rate</th>
              <th>Kit</th>
              <th data-number>Price</th>
              <th data-number>Days</th>
              <th data-number>Core</th>
            </tr>
          </thead>
          {stations.map((station) => {
            const here = unit.parts
              .filter((p) => p.station === station.id)
              .sort((a, b) => (b.weakness ?? 0) - (a.weakness ?? 0));
            const isOpen = open.has(station.id);
            const Mark = isOpen ? ChevronDown : ChevronRight;
            return (
              <tbody key={station.id}>
                <tr data-head>
                  <th scope="rowgroup" colSpan={7}>
                    <button type="button" aria-expanded={isOpen} onClick={() => turn(station.id)}>
                      <Mark size={18} aria-hidden />
                      {station.order} {station.name}
                      <small>{here.length === 1 ? 'one part' : `${here.length} parts`}</small>
                    </button>
                  </th>
                </tr>
                {isOpen && here.map((p) => <PartRow key={p.id} unit={unit} part={p} currency={currency} />)}
              </tbody>
            );
          })}
        </Table>
      </Stack>
    </Section>
  );
}

function PartRow({ unit, part: p, currency }: { unit: UnitDefinition; part: Part; currency: string }) {
  const money = (minor: number) => formatMoney(minor, currency);
  const name = (id: string) => unit.parts.find((o) => o.id === id)?.name ?? id;
  return (
    <tr>
      <th scope="row">
        {p.name}
        {remarks(p, name).map((words) => (
          <small key={words}>{words}</small>
        ))}
      </th>
      <td>
        {p.material}
        {p.magnetic === false && <small>not magnetic</small>}
      </td>
      <td data-number>{p.weakness ?? ''}</td>
      <td>{p.kit ? KIT[p.kit] : ''}</td>
      <td data-number>{p.price === undefined ? '' : money(p.price)}</td>
      <td data-number>{p.leadDays ?? ''}</td>
      <td data-number>
        {p.coreDeposit ? money(p.coreDeposit) : ''}
        {p.coreDeposit && p.returnDays ? <small>back in {p.returnDays} days</small> : null}
      </td>
    </tr>
  );
}

/** What whoever orders the part must know, a line each. */
function remarks(p: Part, name: (id: string) => string): string[] {
  const list = (ids: string[]) => ids.map(name).join(', ');
  return [
    p.note,
    p.sizes?.length && `Sold in ${p.sizes.map((s) => mm(s)).join(', ')} mm`,
    p.soldAs && `Sold as: ${name(p.soldAs)}`,
    p.takesAlong?.length && `Renewed with it: ${list(p.takesAlong)}`,
    p.mistakenFor?.length && `Nearly the size of: ${list(p.mistakenFor)}`,
    p.variantMeasurement,
    p.supplier && `From ${p.supplier}`,
  ].filter((words): words is string => typeof words === 'string' && words !== '');
}

/** Hours of the work, and what doing two at once saves. */
export function Labour({ unit }: { unit: UnitDefinition }) {
  const name = (id: string) => unit.labour.find((l) => l.id === id)?.name ?? id;
  const saves = (l: LabourOperation) =>
    (l.overlaps ?? []).map((o) => `${o.hours} h less with: ${name(o.with)}`);
  return (
    <Section title="Labour" note="Hours by themselves; done together some save one another work.">
      <Table>
        <tbody>
          {unit.labour.map((l) => (
            <tr key={l.id}>
              <th scope="row">
                {l.name}
                {saves(l).map((words) => (
                  <small key={words}>{words}</small>
                ))}
              </th>
              <td data-number>{l.hours.toFixed(1)} h</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Section>
  );
}
