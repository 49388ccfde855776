'use client';
import styled from 'styled-components';
import { capacityInputs, fullPressure, margins, solveGear, withMoreFrictions } from '@/core/powerflow';
import { elementOf, gearOf } from '@/core/unit';
import type { Element, UnitDefinition } from '@/core/unit';
import { marginIn } from './margin';

const Lines = styled.dl`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 4px 14px;
  font-size: 0.9375rem;
  dt {
    color: var(--ink-soft);
  }
  dd b {
    font-weight: 650;
  }
`;

const n = (v: number, places = 0) => v.toFixed(places);
const bar = (pa: number) => `${n(pa / 1e5, 2)} bar`;

/** How one element's load, capacity and margin come about: formula, inputs, result. */
export function Workings(props: { unit: UnitDefinition; gear: string; element: string; share: number }) {
  const { unit, gear: key, share } = props;
  const gear = gearOf(unit, key);
  const element = elementOf(unit, props.element);
  const { torqueNm, stallTorqueRatio } = unit.engine;
  const inputs = capacityInputs(element, fullPressure(unit, gear), { gear: key });
  const margin = marginIn(unit, key, element.id, share);
  const here = margins(unit).find(
    (m) => m.element === element.id && m.gear === key && Math.abs(m.share - share) < 1e-9,
  );
  const more = withMoreFrictions(unit, element.id, 1);
  return (
    <Lines>
      <dt>Load</dt>
      <dd>
        share × engine{gear.launch ? ' × converter at stall' : ''} = {n(share, 4)} × {torqueNm} N·m
        {gear.launch ? ` × ${stallTorqueRatio}` : ''} ={' '}
        <b>{n(share * torqueNm * (gear.launch ? stallTorqueRatio : 1))} N·m</b>
      </dd>
      {!inputs && element.capacityNm && (
        <>
          <dt>Capacity</dt>
          <dd>
            stated: <b>{element.capacityNm} N·m</b>
          </dd>
        </>
      )}
      {inputs && <Capacity element={element} inputs={inputs} />}
      {element.pack?.centrifugal && (
        <>
          <dt>At speed</dt>
          <dd>
            oil turning with the drum at 3000 a minute adds <b>{n(turningOil(unit, key, element.id))} N</b>,
            what the balance piston takes back left out
          </dd>
        </>
      )}
      {margin && (
        <>
          <dt>Margin</dt>
          <dd>
            capacity ÷ load = <b>{n(margin.margin, 2)}</b>
          </dd>
        </>
      )}
      {here && inputs && (
        <>
          <dt>Lets go</dt>
          <dd>
            (load ÷ {element.pack ? '(μ · faces · r)' : 'grip of the band'} + springs) ÷ A = (
            {n(here.loadNm / (inputs.grip * inputs.radius))} N + {n(inputs.returnForce)} N) ÷{' '}
            {n(inputs.area * 1e4, 1)} cm² = <b>{bar(here.letsGoPa)}</b> at this torque
          </dd>
          <dt />
          <dd>
            engine × margin = {torqueNm} N·m × {n(here.margin, 2)} = <b>{n(here.letsGoNm)} N·m</b> at this
            pressure
          </dd>
        </>
      )}
      {more && (
        <>
          <dt>One friction more</dt>
          <dd>
            worst margin {n(more.before, 2)} → <b>{n(more.after, 2)}</b>; in the same height the steels are{' '}
            {n(more.steelThickness * 1000, 2)} mm and take {n(more.heat * 100)} % of the heat
          </dd>
        </>
      )}
    </Lines>
  );
}

/** The force that presses, and what that holds. */
function Capacity({
  element,
  inputs,
}: {
  element: Element;
  inputs: NonNullable<ReturnType<typeof capacityInputs>>;
}) {
  return (
    <>
      <dt>Force</dt>
      <dd>
        p · A − springs = {bar(inputs.pressurePa)} × {n(inputs.area * 1e4, 1)} cm² − {n(inputs.returnForce)} N
        = <b>{n(inputs.force)} N</b>
      </dd>
      {element.pack && (
        <>
          <dt>Mean radius</dt>
          <dd>
            ⅔ · (ro³ − ri³) ÷ (ro² − ri²), ro {n(element.pack.outerDiameter * 500, 1)} mm, ri{' '}
            {n(element.pack.innerDiameter * 500, 1)} mm = <b>{n(inputs.radius * 1000, 1)} mm</b>
          </dd>
        </>
      )}
      <dt>Capacity</dt>
      {element.pack ? (
        <dd>
          μ · faces · F · r = {inputs.mu} × {inputs.faces} × {n(inputs.force)} N ×{' '}
          {n(inputs.radius * 1000, 1)} mm = <b>{n(inputs.capacityNm)} N·m</b>
        </dd>
      ) : (
        <dd>
          F · R · {element.band!.selfEnergising ? '(e^μθ − 1)' : '(1 − e^−μθ)'} = {n(inputs.force)} N ×{' '}
          {n(inputs.radius * 1000, 1)} mm × {n(inputs.grip, 3)} = <b>{n(inputs.capacityNm)} N·m</b>, with μ{' '}
          {inputs.mu} and {n(element.band!.wrap, 2)} rad of wrap
        </dd>
      )}
    </>
  );
}

/** Force of the oil that turns with a drum in a gear, the input at 3000 a minute, N. */
function turningOil(unit: UnitDefinition, gear: string, id: string): number {
  const element = elementOf(unit, id);
  const drum = Math.abs(solveGear(unit, gear).speeds[element.a] ?? 0);
  return capacityInputs(element, 0, { gear, drumSpeed: drum * 100 * Math.PI })!.centrifugalForce;
}
