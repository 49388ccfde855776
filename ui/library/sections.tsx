'use client';
import { capacity, solveGear, inForwardSense } from '@/core/powerflow';
import { elementOf, stationsInOrder } from '@/core/unit';
import type { Element, Gearset, UnitDefinition } from '@/core/unit';
import { Caption, Caution, Section, Stack } from '@/ui/system';
import { Table } from './tables';
import { cm2, limitsWords, mm } from './units';

/** The application chart with what follows from it. */
export function Chart({ unit }: { unit: UnitDefinition }) {
  const solved = unit.gears.map((g) => ({ g, s: solveGear(unit, g.key) }));
  const stepTo = (k: number) => {
    const { g, s } = solved[k]!;
    const before = solved.find(
      (o) => o.g.range === g.range && o.g.gear !== null && g.gear !== null && o.g.gear === g.gear - 1,
    );
    return before?.s.ratio && s.ratio ? (before.s.ratio / s.ratio).toFixed(2) : '';
  };
  return (
    <Section
      title="Application chart"
      note="Ratios, steps and engine braking are computed; what is applied is stated."
    >
      <Table>
        <thead>
          <tr>
            <th>Gear</th>
            <th>Applied</th>
            <th data-number>Ratio</th>
            <th data-number>Step</th>
            <th>Engine brakes</th>
            <th>Solenoids</th>
          </tr>
        </thead>
        <tbody>
          {solved.map(({ g, s }, k) => (
            <tr key={g.key}>
              <th scope="row">
                {g.key} <small>{g.name}</small>
              </th>
              <td>
                {g.apply.map((id) => elementOf(unit, id).name).join(', ') || 'nothing'}
                {s.holding.length > 0 && (
                  <small>
                    holding by itself: {s.holding.map((id) => elementOf(unit, id).name).join(', ')}
                  </small>
                )}
              </td>
              <td data-number>{s.ratio === null ? '–' : inForwardSense(unit, s.ratio).toFixed(3)}</td>
              <td data-number>{stepTo(k)}</td>
              <td>{s.coast === null ? '' : s.coast === 'brakes' ? 'yes' : 'no, freewheels'}</td>
              <td>{g.solenoids?.join(' ')}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Section>
  );
}

export function Elements({ unit }: { unit: UnitDefinition }) {
  const member = (id: string) =>
    id === 'case' ? 'case' : (unit.members.find((m) => m.id === id)?.name ?? id);
  const part = (id: string) => unit.parts.find((p) => p.id === id)?.name ?? id;
  return (
    <Section
      title="Elements"
      note="Capacity at full pressure. Paths in the order of the oil and of the torque."
    >
      <Table>
        <thead>
          <tr>
            <th>Element</th>
            <th>Joins</th>
            <th>Build</th>
            <th data-number>Carries</th>
            <th>Fed by, carried by</th>
          </tr>
        </thead>
        <tbody>
          {unit.elements.map((e) => {
            const most = capacity(e, unit.pressure.fullPa);
            return (
              <tr key={e.id}>
                <th scope="row">
                  {e.name} <small>{e.short}</small>
                </th>
                <td>
                  {member(e.a)} {e.kind === 'one-way' ? '≥' : 'to'} {member(e.b)}
                </td>
                <td>{buildWords(e)}</td>
                <td data-number>{Number.isFinite(most) ? `${Math.round(most)} N·m` : ''}</td>
                <td>
                  {e.feedPath.map(part).join(' → ')}
                  <small>{e.powerPath.map(part).join(' → ')}</small>
                </td>
              </tr>
            );
          })}
        </tbody>
      </Table>
    </Section>
  );
}

function buildWords({ pack, band, kind }: Element): string {
  if (pack) {
    const second = pack.secondArea
      ? ` + ${cm2(pack.secondArea.area)} cm² in ${pack.secondArea.gears.join(', ')}`
      : '';
    return `${pack.frictions} frictions ${mm(pack.frictionThickness, 1)} mm, ${pack.order.filter((p) => p === 'steel').length} steels ${mm(pack.steelThickness, 1)} mm, ⌀ ${mm(pack.outerDiameter, 0)}/${mm(pack.innerDiameter, 0)} mm; piston ${cm2(pack.pistonArea)} cm²${second}; clearance ${mm(pack.clearance.min)} to ${mm(pack.clearance.max)} mm`;
  }
  if (band)
    return `band on ⌀ ${mm(band.drumRadius * 2, 0)} mm, servo ${cm2(band.servoArea)} cm²; pin travel ${mm(band.pinTravel.min)} to ${mm(band.pinTravel.max)} mm`;
  return kind === 'dog' ? 'toothed' : 'freewheels one way';
}

export function Gearsets({ unit }: { unit: UnitDefinition }) {
  const member = (id: string) =>
    id === 'case' ? 'case' : (unit.members.find((m) => m.id === id)?.name ?? id);
  return (
    <Section title="Gearsets" note="All the powerflow needs: teeth and who is joined to whom.">
      <Table>
        <tbody>
          {unit.gearsets.map((g) => (
            <tr key={g.id}>
              <th scope="row">{g.name}</th>
              <td>{setWords(g, member)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Section>
  );
}

function setWords(g: Gearset, member: (id: string) => string): string {
  if (g.kind === 'mesh') {
    const kind = { external: '', internal: ', internal', idler: ', with an idler' }[g.mesh];
    return `${member(g.first.member)} ${g.first.teeth} – ${member(g.second.member)} ${g.second.teeth}${kind}`;
  }
  const pinions = g.pinions
    ? `, ${g.pinions.count} ${g.planets === 'double' ? 'pairs of pinions' : 'pinions'}`
    : '';
  return `sun ${g.sun.teeth} (${member(g.sun.member)}), ring ${g.ring.teeth} (${member(g.ring.member)}), carrier ${member(g.carrier)}${g.planets === 'double' ? ', double pinions' : ''}${pinions}`;
}

export function Takedown({ unit }: { unit: UnitDefinition }) {
  const name = (id: string) => unit.stations.find((s) => s.id === id)!.name;
  return (
    <Section title="Takedown" note="In removal order.">
      <Table>
        <tbody>
          {stationsInOrder(unit).map((s) => (
            <tr key={s.id}>
              <th scope="row">
                {s.order} {s.name}
                {s.blockedBy.length > 0 && <small>after: {s.blockedBy.map(name).join(', ')}</small>}
              </th>
              <td>
                <Stack $gap={4}>
                  {s.cautions.map((c) => (
                    <Caution key={c}>{c}</Caution>
                  ))}
                  {s.fasteners.map((f) => (
                    <span key={f}>{f}</span>
                  ))}
                  {s.tools.length > 0 && <Caption as="span">Tools: {s.tools.join(', ')}</Caption>}
                </Stack>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Section>
  );
}

export function Limits({ unit }: { unit: UnitDefinition }) {
  return (
    <Section
      title="Limits"
      note="The shop’s until the unit’s own manual replaces them. Clearances of packs and band travel stand with their elements."
    >
      <Table>
        <tbody>
          {unit.specs.map((s) => (
            <tr key={s.id}>
              <th scope="row">{s.name}</th>
              <td>{limitsWords(s)}</td>
            </tr>
          ))}
          {unit.solenoids.map((s) => (
            <tr key={s.id}>
              <th scope="row">{s.name}, at 20 °C</th>
              <td>
                {s.ohm.min} to {s.ohm.max} Ω
              </td>
            </tr>
          ))}
          {unit.variants.map((v) => (
            <tr key={v.id}>
              <th scope="row">{v.name}</th>
              <td>
                {v.measure}
                <small>
                  {v.readings.map((r) => `${mm(r.min, 1)} to ${mm(r.max, 1)} mm: ${r.is}`).join('; ')}
                </small>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Section>
  );
}
