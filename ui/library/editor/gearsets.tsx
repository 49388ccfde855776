'use client';
import { Trash2 } from 'lucide-react';
import styled from 'styled-components';
import { addMesh, addPlanetary, idFrom, removeGearset, replaceGearset, tidy } from '@/core/unit';
import type { Gearset, MeshSet, PlanetarySet, ToothedMember, UnitDefinition } from '@/core/unit';
import { Button, FieldLabel, Line, NumberInput, Picker, Section, Stack, TextInput } from '@/ui/system';
import type { Change } from './use-draft';

const Set = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1.2fr) repeat(3, minmax(0, 1fr)) 44px;
  gap: 8px 14px;
  align-items: end;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
  &:first-child {
    border-top: 0;
    padding-top: 0;
  }
  @media (max-width: 860px) {
    grid-template-columns: 1fr 1fr;
  }
`;
const Gear = styled.div`
  display: grid;
  gap: 6px;
  min-width: 0;
`;
const Column = styled.div`
  display: grid;
  gap: 4px;
  min-width: 0;
  select {
    width: 100%;
  }
`;

/** Gearsets: kind, teeth, and which member each gear belongs to. */
export function GearsetsForm({ unit, change }: { unit: UnitDefinition; change: Change }) {
  return (
    <Section
      title="Gearsets"
      note="Teeth, and what each gear is joined to. Parts that always turn together are one member: choose the same for both."
    >
      <Stack>
        <div>
          {unit.gearsets.map((set) =>
            set.kind === 'planetary' ? (
              <Planetary key={set.id} unit={unit} set={set} change={change} />
            ) : (
              <Mesh key={set.id} unit={unit} set={set} change={change} />
            ),
          )}
        </div>
        <Line>
          <Button onPress={() => change(addPlanetary)}>Add a planetary set</Button>
          <Button onPress={() => change(addMesh)}>Add a pair of gears</Button>
        </Line>
        <Line>
          <MemberPick
            unit={unit}
            label="The converter drives"
            value={unit.input}
            onChange={(input) => change((u) => tidy({ ...u, input }))}
          />
          <MemberPick
            unit={unit}
            label="The car is driven by"
            value={unit.output}
            onChange={(output) => change((u) => tidy({ ...u, output }))}
          />
        </Line>
      </Stack>
    </Section>
  );
}

function Planetary({ unit, set, change }: { unit: UnitDefinition; set: PlanetarySet; change: Change }) {
  const put = (next: PlanetarySet) => change((u) => tidy(replaceGearset(u, next)));
  return (
    <Set role="group" aria-label={set.name}>
      <Column>
        <TextInput
          label="Name"
          value={set.name}
          pause
          maxLength={120}
          onChange={(name) => name && put({ ...set, name })}
        />
        <Picker
          label={`${set.name}: pinions`}
          value={set.planets}
          onChange={(v) => put(withPlanets(set, v as PlanetarySet['planets']))}
        >
          <option value="single">single pinions</option>
          <option value="double">pairs of pinions</option>
        </Picker>
      </Column>
      {(['sun', 'ring'] as const).map((gear) => (
        <Toothed
          key={gear}
          unit={unit}
          name={gear === 'sun' ? 'Sun' : 'Ring'}
          gear={set[gear]}
          fixed
          own={`${set.name} ${gear}`}
          onChange={(next, grown) => change((u) => tidy(replaceGearset(grown(u), { ...set, [gear]: next })))}
        />
      ))}
      <Gear>
        <NumberInput
          label="Pinions"
          unit=""
          min={2}
          max={12}
          whole
          value={set.pinions?.count}
          onChange={(count) => put(count ? { ...set, pinions: { ...set.pinions, count } } : without(set))}
        />
        <MemberPick
          unit={unit}
          label="Carrier is on"
          value={set.carrier}
          own={`${set.name} carrier`}
          onChange={(carrier, grown) => change((u) => tidy(replaceGearset(grown(u), { ...set, carrier })))}
        />
      </Gear>
      <Remove set={set} change={change} />
    </Set>
  );
}

/** Stated pinion teeth belong to one kind of set. */
function withPlanets(set: PlanetarySet, planets: PlanetarySet['planets']): PlanetarySet {
  return { ...set, planets, ...(set.pinions ? { pinions: { count: set.pinions.count } } : {}) };
}

function without(set: PlanetarySet): PlanetarySet {
  const { pinions: _, ...rest } = set;
  return rest;
}

function Mesh({ unit, set, change }: { unit: UnitDefinition; set: MeshSet; change: Change }) {
  const put = (next: MeshSet) => change((u) => tidy(replaceGearset(u, next)));
  return (
    <Set role="group" aria-label={set.name}>
      <Column>
        <TextInput
          label="Name"
          value={set.name}
          pause
          maxLength={120}
          onChange={(name) => name && put({ ...set, name })}
        />
      </Column>
      {(['first', 'second'] as const).map((gear) => (
        <Toothed
          key={gear}
          unit={unit}
          name={gear === 'first' ? 'First' : 'Second'}
          gear={set[gear]}
          own={`${set.name} ${gear} gear`}
          onChange={(next, grown) => change((u) => tidy(replaceGearset(grown(u), { ...set, [gear]: next })))}
        />
      ))}
      <Column>
        <FieldLabel elementType="span">Mesh</FieldLabel>
        <Picker
          label={`${set.name}: mesh`}
          value={set.mesh}
          onChange={(v) => {
            const { idlerTeeth: _, ...rest } = set;
            put({ ...rest, mesh: v as MeshSet['mesh'], ...(v === 'idler' ? { idlerTeeth: 25 } : {}) });
          }}
        >
          <option value="external">outside: turns the sense around</option>
          <option value="internal">inside a ring: keeps the sense</option>
          <option value="idler">with an idler between: keeps the sense</option>
        </Picker>
      </Column>
      <Remove set={set} change={change} />
    </Set>
  );
}

/** Teeth of one gear, and the member it belongs to. */
function Toothed(props: {
  unit: UnitDefinition;
  name: string;
  gear: ToothedMember;
  fixed?: boolean;
  own: string;
  onChange: (gear: ToothedMember, grown: (unit: UnitDefinition) => UnitDefinition) => void;
}) {
  const { gear } = props;
  return (
    <Gear>
      <NumberInput
        label={`${props.name} teeth`}
        unit=""
        min={3}
        max={400}
        whole
        value={gear.teeth}
        onChange={(teeth) => teeth && props.onChange({ ...gear, teeth }, (u) => u)}
      />
      <MemberPick
        unit={props.unit}
        label={`${props.name} is on`}
        value={gear.member}
        fixed={props.fixed}
        own={props.own}
        onChange={(member, grown) => props.onChange({ ...gear, member }, grown)}
      />
    </Gear>
  );
}

function Remove({ set, change }: { set: Gearset; change: Change }) {
  return (
    <Button
      $kind="quiet"
      aria-label={`Remove ${set.name}`}
      onPress={() => change((u) => removeGearset(u, set.id))}
    >
      <Trash2 size={18} aria-hidden />
    </Button>
  );
}

/** One member of those there are, the case, or one of its own that is made on the spot. */
export function MemberPick(props: {
  unit: UnitDefinition;
  label: string;
  value: string;
  /** The case may be chosen. */
  fixed?: boolean;
  /** Name of a member of its own. */
  own?: string;
  onChange: (member: string, grown: (unit: UnitDefinition) => UnitDefinition) => void;
}) {
  const { unit } = props;
  return (
    <Column>
      <FieldLabel elementType="span">{props.label}</FieldLabel>
      <Picker
        label={props.label}
        value={props.value}
        onChange={(value) => {
          if (value !== '+') return props.onChange(value, (u) => u);
          const made = {
            id: idFrom(
              props.own!,
              unit.members.map((m) => m.id),
            ),
            name: props.own!,
          };
          props.onChange(made.id, (u) => ({ ...u, members: [...u.members, made] }));
        }}
      >
        {unit.members.map((m) => (
          <option key={m.id} value={m.id}>
            {m.name}
          </option>
        ))}
        {props.fixed && <option value="case">the case</option>}
        {props.own && <option value="+">a member of its own</option>}
      </Picker>
    </Column>
  );
}
