'use client';
import { X } from 'lucide-react';
import styled from 'styled-components';
import { faultKey, faultName } from '@/core/powerflow';
import type { Fault } from '@/core/powerflow';
import type { UnitDefinition } from '@/core/unit';
import { Button, Line, NumberInput, Picker } from '@/ui/system';
import { halfLoad } from './fault-list';
import type { Powerflow } from './use-powerflow';

const Chip = styled.span`
  display: inline-flex;
  align-items: center;
  gap: 10px;
  min-height: 44px;
  padding-left: 12px;
  border-left: 5px solid var(--bad);
  background: var(--bad-wash);
  font-weight: 600;
`;

/** What is wrong in the unit as it is shown, and a list to add to it for those who do not touch the drawing. */
export function FaultPanel({
  unit,
  flow,
  suspected,
}: {
  unit: UnitDefinition;
  flow: Powerflow;
  suspected?: string;
}) {
  return (
    <Line>
      {!flow.tried && suspected && <Chip style={{ paddingRight: 12 }}>As suspected: {suspected}</Chip>}
      {flow.tried && flow.faults.length === 0 && <span>As built.</span>}
      {flow.tried &&
        flow.faults.map((fault) => (
          <Chip key={faultKey(fault)}>
            {fault.kind === 'slip'
              ? `${unit.elements.find((e) => e.id === fault.element)!.name} slips above`
              : faultName(unit, fault)}
            {fault.kind === 'slip' && (
              <span style={{ width: 118 }}>
                <NumberInput
                  label="Slips above"
                  hideLabel
                  unit="N·m"
                  min={0}
                  max={100000}
                  value={fault.capacityNm}
                  onChange={(capacityNm) =>
                    flow.set({ ...fault, capacityNm: capacityNm ?? halfLoad(unit, fault.element) })
                  }
                />
              </span>
            )}
            <Button
              $kind="quiet"
              aria-label={`Without: ${faultName(unit, fault)}`}
              onPress={() => flow.remove(fault)}
            >
              <X size={18} aria-hidden />
            </Button>
          </Chip>
        ))}
      <Picker label="Add a fault" value="" onChange={(key) => flow.set(faultOf(unit, key))}>
        <option value="" disabled>
          Add a fault …
        </option>
        {unit.elements.map((e) => (
          <optgroup key={e.id} label={e.name}>
            <option value={`lost:${e.id}`}>{e.name} lost</option>
            <option value={`stuck:${e.id}`}>{e.name} stuck on</option>
            {(e.pack || e.band) && <option value={`slip:${e.id}`}>{e.name} slipping</option>}
          </optgroup>
        ))}
        <optgroup label="Broken in two">
          {unit.parts
            .filter((p) => p.splits)
            .map((p) => (
              <option key={p.id} value={`break:${p.id}`}>
                {p.name} broken
              </option>
            ))}
        </optgroup>
        <optgroup label="Teeth gone">
          {unit.gearsets.map((g) => (
            <option key={g.id} value={`strip:${g.id}`}>
              {g.name} stripped
            </option>
          ))}
        </optgroup>
      </Picker>
      {flow.tried && (
        <Button $kind="quiet" onPress={flow.clear}>
          {suspected ? 'Back to the suspect' : 'Make it whole'}
        </Button>
      )}
    </Line>
  );
}

function faultOf(unit: UnitDefinition, key: string): Fault {
  const [kind, id] = [key.slice(0, key.indexOf(':')), key.slice(key.indexOf(':') + 1)];
  switch (kind) {
    case 'break':
      return { kind, part: id };
    case 'strip':
      return { kind, gearset: id };
    case 'slip':
      return { kind, element: id, capacityNm: halfLoad(unit, id) };
    default:
      return { kind: kind === 'stuck' ? 'stuck' : 'lost', element: id };
  }
}
