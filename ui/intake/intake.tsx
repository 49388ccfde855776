'use client';
import { useState } from 'react';
import { dayWords } from '@/core/shop';
import { SlotChoice, SlotDistance, SlotMoney, SlotNumber, SlotText } from '@/ui/job/fields';
import { useBench, useReasoning, useSlot, useSlots } from '@/ui/job/provider';
import { Button, FieldLabel, Fields, Line, Page, PageIndex, Section, Stack, drawnLater } from '@/ui/system';
import { Tick } from '@/ui/system/tick';
import { Phone } from '@/ui/system/phone';
import { FluidAtIntake } from './fluid';
import { ComplaintGrid } from './grid';
import { Topic } from './checks';
import { Codes } from './codes';
import { History } from './history';
import { RoadTests } from './road-tests';
import { MeasuredSpeeds } from './speeds';

const SECTIONS = [
  'Who and what',
  'Complaint',
  'History',
  'Road test',
  'Fluid',
  'Checks on the vehicle',
  'Line pressure',
  'Gear and speeds',
  'Codes',
];

/** Intake: who, what, what it does, what is known already. */
export function Intake() {
  const scan = useSlot('codes.scan');
  return (
    <Page>
      <PageIndex titles={SECTIONS} />
      <Section title="Who and what">
        <WhoAndWhat />
      </Section>
      <Section
        wide
        title="Complaint"
        note="In the customer’s own words first; then the grid, with what the shop has seen for itself marked as verified."
      >
        <Complaint />
      </Section>
      <Section title="History" note="A repair that cured nothing is strong evidence.">
        <History />
      </Section>
      <Section title="Road test" note="Cold and fully hot, light and heavy throttle, through every gear.">
        <RoadTests />
      </Section>
      <Section
        title="Fluid"
        note="As it is at the car. What runs out at the teardown is a finding of its own."
      >
        <FluidAtIntake />
      </Section>
      <Section
        title="Checks on the vehicle"
        note="Before anything comes out. “Works as it should” is an answer too."
      >
        <Topic topic="checks" />
      </Section>
      <Section
        title="Line pressure"
        note="Where there is a tap. Limits are the shop’s until the unit’s own manual replaces them."
      >
        <Topic topic="pressure" />
      </Section>
      <Section title="Gear and speeds" note="What the computer asked for, against what turned.">
        <MeasuredSpeeds />
      </Section>
      <Section
        title="Codes"
        note="A code about the ratio names a solenoid only because that is the part the computer knows."
      >
        <Stack $gap={14}>
          <SlotChoice
            slot="codes.scan"
            label="Scanned?"
            hideLabel
            options={[
              { value: 'not-scanned', label: 'Not scanned' },
              { value: 'none', label: 'Scanned: none' },
              { value: 'these', label: 'Scanned: these' },
            ]}
          />
          {scan === 'these' && <Codes />}
        </Stack>
      </Section>
    </Page>
  );
}

/** Who brings it, and what. */
function WhoAndWhat() {
  const { write } = useBench();
  const bare = useSlot('vehicle.bare') ?? false;
  return (
    <Stack $gap={14}>
      <Fields>
        <SlotText slot="customer.name" label="Customer" maxLength={120} />
        <SlotText slot="customer.phone" label="Phone" maxLength={40} />
        <Call />
      </Fields>
      <Tick isSelected={bare} onChange={(on) => write('vehicle.bare', on || null)}>
        Bare unit or core: no vehicle
      </Tick>
      {bare && (
        <Fields>
          <SlotText slot="unit-source.from" label="Where it came from" maxLength={120} />
          <SlotMoney slot="unit-source.cost" label="What it cost" />
        </Fields>
      )}
      {!bare && (
        <Fields $min={150}>
          <SlotText slot="vehicle.make" label="Make" maxLength={60} />
          <SlotText slot="vehicle.model" label="Model" maxLength={60} />
          <SlotNumber slot="vehicle.year" label="Year" unit="" min={1950} max={2100} whole />
          <SlotText slot="vehicle.plate" label="Plate" maxLength={20} />
          <SlotText slot="vehicle.serial" label="Serial number" maxLength={40} />
          <SlotText slot="vehicle.engine" label="Engine" maxLength={60} />
          <SlotDistance slot="vehicle.odometerKm" label="Odometer" max={3_000_000} />
          <SlotMoney slot="vehicle.value" label="What it is worth" />
        </Fields>
      )}
      <Line $gap={20}>
        {!bare && (
          <SlotChoice
            slot="vehicle.drive"
            label="Drive"
            options={[
              { value: 'front', label: 'Front' },
              { value: 'rear', label: 'Rear' },
              { value: 'all', label: 'All' },
            ]}
          />
        )}
        <PromiseDate />
        <SlotChoice
          slot="job.waitsFor"
          label="Waits for"
          options={[
            { value: 'customer', label: 'Customer' },
            { value: 'part', label: 'Part' },
            { value: 'bench', label: 'Bench' },
            { value: 'measurement', label: 'Measurement' },
          ]}
        />
      </Line>
    </Stack>
  );
}

/** What is wrong, in words and by gear. */
function Complaint() {
  const said = useSlots('grid.').length > 0;
  return (
    <Stack $gap={14}>
      <SlotText slot="complaint.words" label="In the customer’s words" lines={2} />
      <Line $gap={24}>
        <SlotChoice
          slot="complaint.onset"
          label="How it began"
          options={[
            { value: 'sudden', label: 'Suddenly' },
            { value: 'gradual', label: 'Gradually' },
            { value: 'after-work', label: 'After work was done' },
            { value: 'unknown', label: 'Not known' },
          ]}
        />
        <div style={{ flex: '1 1 240px' }}>
          <SlotText slot="complaint.after" label="Shows after how long" maxLength={120} />
        </div>
      </Line>
      <ComplaintGrid />
      {said && <VerdictAhead />}
    </Stack>
  );
}

/** The next page opens with a verdict: it is worked out once something is complained of. */
function VerdictAhead() {
  useReasoning();
  return null;
}

/** The calendar is large: it comes when the page stands. */
const DayInput = drawnLater(() => import('@/ui/system/day').then((m) => m.DayInput));

/** The customer's number, one press away. */
function Call() {
  const phone = useSlot('customer.phone');
  return phone ? (
    <p style={{ alignSelf: 'end', minHeight: 44, display: 'grid', alignItems: 'center' }}>
      <span>
        Call <Phone number={phone} />
      </span>
    </p>
  ) : null;
}

function PromiseDate() {
  const { write } = useBench();
  const promised = useSlot('job.promised') ?? null;
  const [changing, setChanging] = useState(false);
  return (
    <div style={{ width: 230 }}>
      {changing ? (
        <DayInput label="Promised for" value={promised} onChange={(day) => write('job.promised', day)} />
      ) : (
        <Stack $gap={4}>
          <FieldLabel as="span">Promised for</FieldLabel>
          <div>
            <Button onPress={() => setChanging(true)} aria-label="Promised for: choose the day">
              {promised ? dayWords(promised) : 'Choose the day'}
            </Button>
          </div>
        </Stack>
      )}
    </div>
  );
}
