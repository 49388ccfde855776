'use client';
import type { Pack, UnitDefinition } from '@/core/unit';
import { Section } from '@/ui/system';
import { Table } from './tables';
import { mm } from './units';

const sizes = (list: number[]) => list.map((s) => mm(s)).join(', ');

/** What a pack is measured and stacked by when it is built again. */
export function Stacks({ unit }: { unit: UnitDefinition }) {
  const packs = unit.elements.flatMap((e) => (e.pack ? [{ id: e.id, name: e.name, pack: e.pack }] : []));
  if (packs.length === 0) return null;
  return (
    <Section title="Stacks" note="In mm. The groove is measured to the piston, home and without its plates.">
      <Table>
        <thead>
          <tr>
            <th>Pack</th>
            <th data-number>Groove to piston</th>
            <th data-number>Ring</th>
            <th data-number>Backing</th>
            <th data-number>Wave</th>
            <th data-number>Piston</th>
            <th data-number>Hub, drum</th>
            <th>Plates sold</th>
          </tr>
        </thead>
        <tbody>
          {packs.map(({ id, name, pack }) => (
            <tr key={id}>
              <th scope="row">
                {name}
                <small>{stackWords(pack)}</small>
              </th>
              {pack.setUp ? <SetUp pack={pack} setUp={pack.setUp} /> : <td colSpan={7}>not given</td>}
            </tr>
          ))}
        </tbody>
      </Table>
    </Section>
  );
}

function SetUp({ pack, setUp: s }: { pack: Pack; setUp: NonNullable<Pack['setUp']> }) {
  return (
    <>
      <td data-number>
        {mm(s.grooveToPiston)}
        <small>{s.grooveFace === 'upper' ? 'upper face, less the ring' : 'lower face'}</small>
      </td>
      <td data-number>{mm(s.ringThickness)}</td>
      <td data-number>{s.backingThickness === undefined ? '' : mm(s.backingThickness)}</td>
      <td data-number>{s.waveHeight === undefined ? '' : mm(s.waveHeight)}</td>
      <td data-number>
        {mm(s.pistonHeight)}
        <small>down to {mm(s.pistonLowest)}</small>
      </td>
      <td data-number>
        {mm(s.hubLength, 1)}, {mm(s.drumLength, 1)}
      </td>
      <td>
        frictions {sizes(s.frictionSizes)}
        <small>steels {sizes(s.steelSizes)}</small>
        {pack.worn && (
          <small>
            worn under {pack.worn.friction === undefined ? '–' : mm(pack.worn.friction)},{' '}
            {pack.worn.steel === undefined ? '–' : mm(pack.worn.steel)}
          </small>
        )}
      </td>
    </>
  );
}

/** "steel, friction, steel, friction, backing" in short: what lies in it from the piston. */
function stackWords(pack: Pack): string {
  const count = (kind: Pack['order'][number]) => pack.order.filter((p) => p === kind).length;
  const extra = [count('wave') && 'wave spring', count('backing') && 'backing plate'].filter(Boolean);
  return `${count('friction')} frictions, ${count('steel')} steels${extra.length ? `, ${extra.join(', ')}` : ''}`;
}
