'use client';
import { memo } from 'react';
import styled from 'styled-components';
import { AMOUNTS, DEBRIS_KINDS, DEBRIS_PLACES } from '@/core/case';
import type { DebrisKind, DebrisPlace, PartGrade } from '@/core/case';
import { judgeSolenoid } from '@/core/evidence';
import type { Element, Part, Solenoid } from '@/core/unit';
import { ObjectNumber, ObjectText, SlotChoice, SlotNumber, useObjectSlot } from '@/ui/job/fields';
import { useBench, useSlot } from '@/ui/job/provider';
import { AMOUNT_WORDS, DEBRIS_WORDS, PLACE_WORDS } from '@/ui/job/words';
import { Caption, Choice, Fields, Line, Picker, Stack } from '@/ui/system';
import { PhotoOf } from './photos';

const Item = styled.div`
  display: grid;
  gap: 8px;
  padding: 10px 0;
  border-top: 1px solid var(--rule);
  &:first-child {
    border-top: 0;
    padding-top: 0;
  }
  h3 {
    font-size: 1rem;
    small {
      font-weight: 400;
      color: var(--ink-soft);
      margin-left: 8px;
    }
  }
`;
const Verdict = styled.p<{ $bad: boolean }>`
  font-weight: 650;
  color: ${(p) => (p.$bad ? 'var(--bad)' : 'var(--good)')};
`;

const GRADE_OPTIONS: { value: PartGrade; label: string; tone?: 'bad' | 'warn' | 'good' }[] = [
  { value: 'sound', label: 'Sound', tone: 'good' },
  { value: 'marked', label: 'Marked', tone: 'warn' },
  { value: 'worn', label: 'Worn', tone: 'warn' },
  { value: 'failed', label: 'Failed', tone: 'bad' },
  { value: 'takedown', label: 'Broken by us' },
  { value: 'not-assessable', label: 'Cannot tell' },
];

/** A part's grade. Nothing chosen means nobody looked, which is never "sound". */
export const PartItem = memo(function PartItem({ part }: { part: Part }) {
  const slot = `part.${part.id}` as const;
  const [value, change] = useObjectSlot(slot);
  const weak = (part.weakness ?? 0) > 1.3;
  return (
    <Item>
      <h3>
        {part.name}
        <small>{weak ? 'known weak point' : ''}</small>
      </h3>
      <Choice
        label={part.name}
        tall
        value={value.grade}
        options={GRADE_OPTIONS}
        onChange={(grade) => change(grade === null ? null : { grade })}
      />
      {value.grade && value.grade !== 'sound' && (
        <ObjectText slot={slot} field="note" label="What is seen" maxLength={300} />
      )}
      {value.grade && <PhotoOf about={slot} name={part.name.toLowerCase()} />}
    </Item>
  );
});

export function DebrisItem() {
  return (
    <Stack $gap={2}>
      {DEBRIS_KINDS.map((kind) => (
        <DebrisKindItem key={kind} kind={kind} />
      ))}
      <PhotoOf about="debris" name="the pan" />
    </Stack>
  );
}

/** Kind × amount × where. */
const DebrisKindItem = memo(function DebrisKindItem({ kind }: { kind: DebrisKind }) {
  const [value, change] = useObjectSlot(`debris.${kind}`);
  const { name, source } = DEBRIS_WORDS[kind];
  return (
    <Item>
      <Line $gap={12}>
        <div style={{ width: 178 }}>
          <h3>{name}</h3>
          <Caption>{source}</Caption>
        </div>
        <Choice
          label={name}
          tall
          value={value.amount}
          options={AMOUNT_OPTIONS}
          onChange={(amount) => change(amount === null ? null : { amount })}
        />
        {value.amount && value.amount !== 'none' && (
          <Picker
            label={`Where: ${name.toLowerCase()}`}
            value={value.where ?? ''}
            onChange={(where) => change({ where: (where || undefined) as DebrisPlace | undefined })}
          >
            <option value="">Where?</option>
            {DEBRIS_PLACES.map((place) => (
              <option key={place} value={place}>
                {PLACE_WORDS[place]}
              </option>
            ))}
          </Picker>
        )}
      </Line>
    </Item>
  );
});

const AMOUNT_OPTIONS = AMOUNTS.map((a) => ({
  value: a,
  label: AMOUNT_WORDS[a],
  tone: a === 'heavy' ? ('bad' as const) : a === 'some' ? ('warn' as const) : undefined,
}));

export function FilterItem() {
  return (
    <Stack>
      <SlotChoice
        slot="filter.state"
        label="Between the pleats"
        tall
        options={[
          { value: 'clear', label: 'Clear', tone: 'good' },
          { value: 'dirty', label: 'Dirty' },
          { value: 'restricted', label: 'Restricted', tone: 'warn' },
          { value: 'blocked', label: 'Blocked', tone: 'bad' },
        ]}
      />
      <FilterOpened />
      <PhotoOf about="filter.state" name="the filter" />
    </Stack>
  );
}

/** A filter seen from outside tells less than one cut open. */
function FilterOpened() {
  const { write } = useBench();
  const opened = useSlot('filter.opened');
  return (
    <Choice
      label="How the filter was looked at"
      tall
      value={opened === undefined ? undefined : opened ? 'cut' : 'outside'}
      options={[
        { value: 'cut', label: 'Cut open' },
        { value: 'outside', label: 'From outside only' },
      ]}
      onChange={(v) => write('filter.opened', v === null ? null : v === 'cut')}
    />
  );
}

/** Resistance with the temperature it was measured at; judged at 20 °C against the unit's limits. */
export const SolenoidItem = memo(function SolenoidItem({ solenoid }: { solenoid: Solenoid }) {
  const slot = `solenoid.${solenoid.id}` as const;
  const { ohm, temperatureC } = useSlot(slot) ?? {};
  const judged =
    ohm !== undefined && temperatureC !== undefined ? judgeSolenoid(solenoid, ohm, temperatureC) : null;
  return (
    <Item>
      <h3>
        {solenoid.name}
        <small>
          {solenoid.ohm.min}–{solenoid.ohm.max} Ω at 20 °C
        </small>
      </h3>
      <Fields $min={150}>
        <ObjectNumber slot={slot} field="ohm" label="Resistance" unit="Ω" min={0} max={1000000} />
        <ObjectNumber slot={slot} field="temperatureC" label="Measured at" unit="°C" min={-40} max={200} />
      </Fields>
      {judged ? (
        <Verdict role="status" $bad={judged.verdict !== 'in'}>
          {judged.at20.toFixed(1)} Ω at 20 °C: {VERDICT_WORDS[judged.verdict]}
        </Verdict>
      ) : (
        ohm !== undefined && <Caption>Judged once the temperature it was measured at is given.</Caption>
      )}
    </Item>
  );
});

const VERDICT_WORDS = {
  in: 'within limits',
  low: 'below limits',
  high: 'above limits',
  open: 'open circuit',
  short: 'short circuit',
};

export const BandItem = memo(function BandItem({ element }: { element: Element }) {
  const band = element.band!;
  const mm = (m: number) => (m * 1000).toFixed(1);
  return (
    <Stack>
      <SlotChoice
        slot={`band.${element.id}.lining`}
        label="Lining"
        tall
        options={[
          { value: 'sound', label: 'Sound', tone: 'good' },
          { value: 'worn', label: 'Worn', tone: 'warn' },
          { value: 'charred', label: 'Charred', tone: 'bad' },
          { value: 'flaking', label: 'Flaking', tone: 'bad' },
          { value: 'bare', label: 'Bare', tone: 'bad' },
          { value: 'torn', label: 'Torn', tone: 'bad' },
        ]}
      />
      <SlotChoice
        slot={`band.${element.id}.drum`}
        label="Drum surface it ran on"
        tall
        options={[
          { value: 'polished', label: 'Polished', tone: 'good' },
          { value: 'glazed', label: 'Glazed', tone: 'warn' },
          { value: 'blued', label: 'Blued', tone: 'bad' },
          { value: 'grooved', label: 'Grooved', tone: 'bad' },
        ]}
      />
      <div style={{ maxWidth: 240 }}>
        <SlotNumber
          slot={`band.${element.id}.travelMm`}
          label="Servo pin travel"
          unit="mm"
          min={0}
          max={20}
          description={`Limits ${mm(band.pinTravel.min)}–${mm(band.pinTravel.max)} mm`}
        />
      </div>
      <PhotoOf about={`band.${element.id}`} name={element.name.toLowerCase()} />
    </Stack>
  );
});

/** Air test with what decides how much it is worth: pressure, temperature, oil film, and where it bubbled. */
export const AirTestItem = memo(function AirTestItem({ element }: { element: Element }) {
  const slot = `airtest.${element.id}` as const;
  const [value, change] = useObjectSlot(slot);
  return (
    <Stack>
      <Choice
        label={`Air test of the ${element.name.toLowerCase()}`}
        tall
        value={value.result}
        options={[
          { value: 'holds', label: 'Applies and holds', tone: 'good' },
          { value: 'leaks', label: 'Leaks', tone: 'bad' },
          { value: 'no-apply', label: 'Does not apply', tone: 'bad' },
        ]}
        onChange={(result) => change(result === null ? null : { result })}
      />
      {value.result && (
        <>
          <Fields $min={140}>
            <ObjectNumber
              slot={slot}
              field="pressureKpa"
              label="Air pressure"
              unit="kPa"
              min={0}
              max={2000}
            />
            <ObjectNumber
              slot={slot}
              field="temperatureC"
              label="Part temperature"
              unit="°C"
              min={-40}
              max={200}
            />
            <ObjectText slot={slot} field="where" label="Where it bubbled" maxLength={200} />
          </Fields>
          <Choice
            label="Oil film"
            value={value.oilFilm === undefined ? undefined : value.oilFilm ? 'yes' : 'no'}
            options={[
              { value: 'yes', label: 'With an oil film' },
              { value: 'no', label: 'Dry' },
            ]}
            onChange={(v) => change({ oilFilm: v === null ? undefined : v === 'yes' })}
          />
        </>
      )}
    </Stack>
  );
});

export function ConverterItem() {
  return (
    <Stack>
      <SlotChoice
        slot="converter.hub"
        label="Hub colour"
        tall
        options={[
          { value: 'silver', label: 'Silver', tone: 'good' },
          { value: 'straw', label: 'Straw', tone: 'warn' },
          { value: 'blue', label: 'Blue', tone: 'bad' },
        ]}
      />
      <SlotChoice
        slot="converter.leak"
        label="Leak test"
        tall
        options={[
          { value: 'tight', label: 'Tight', tone: 'good' },
          { value: 'leaks', label: 'Leaks', tone: 'bad' },
        ]}
      />
      <SlotChoice
        slot="converter.lining"
        label="Lock-up lining, opened"
        tall
        options={[
          { value: 'intact', label: 'Intact', tone: 'good' },
          { value: 'worn', label: 'Worn', tone: 'warn' },
          { value: 'gone', label: 'Gone', tone: 'bad' },
          { value: 'not-assessable', label: 'Cannot tell' },
        ]}
      />
      <SlotChoice
        slot="converter.face"
        label="Piston face under it"
        tall
        options={[
          { value: 'bonded', label: 'Bond left on it' },
          { value: 'smooth', label: 'Smooth: it came unbonded' },
        ]}
      />
      <div style={{ maxWidth: 240 }}>
        <SlotNumber slot="converter.endPlayMm" label="End play" unit="mm" min={0} max={10} />
      </div>
      <PhotoOf about="converter" name="the converter" />
    </Stack>
  );
}
