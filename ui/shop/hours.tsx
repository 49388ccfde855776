'use client';
import { WEEKDAYS } from '@/core/schedule';
import { Button, Fields, Line, Section, Stack, TextInput } from '@/ui/system';
import { useDraft } from './draft';
import { Named, Percent, Plain } from './fields';

const DAY_WORDS = {
  mon: 'Monday',
  tue: 'Tuesday',
  wed: 'Wednesday',
  thu: 'Thursday',
  fri: 'Friday',
  sat: 'Saturday',
  sun: 'Sunday',
};

export function Hours() {
  const { terms, change, round } = useDraft();
  const { calendar, capacity } = terms;
  const put = (day: keyof typeof DAY_WORDS, hours: { from: string; to: string } | null) =>
    change({ calendar: { ...calendar, opening: { ...calendar.opening, [day]: hours } } });
  return (
    <Section title="Hours" note="Dates are promised by them.">
      <Stack $gap={10}>
        {WEEKDAYS.map((day) => {
          const hours = calendar.opening[day];
          return (
            <Named key={day}>
              <b>{DAY_WORDS[day]}</b>
              <Line $gap={12} style={{ alignItems: 'end' }}>
                {hours ? (
                  <>
                    <TextInput
                      key={`from ${round}`}
                      label="From"
                      type="time"
                      value={hours.from}
                      onChange={(from) => /^\d\d:\d\d$/.test(from) && put(day, { ...hours, from })}
                    />
                    <TextInput
                      key={`to ${round}`}
                      label="To"
                      type="time"
                      value={hours.to}
                      onChange={(to) => /^\d\d:\d\d$/.test(to) && put(day, { ...hours, to })}
                    />
                    <Button $kind="quiet" $small onPress={() => put(day, null)}>
                      Closed
                    </Button>
                  </>
                ) : (
                  <>
                    <span style={{ padding: '10px 0' }}>closed</span>
                    <Button $kind="quiet" $small onPress={() => put(day, { from: '08:00', to: '17:00' })}>
                      Open
                    </Button>
                  </>
                )}
              </Line>
            </Named>
          );
        })}
        <TextInput
          key={`holidays ${round}`}
          label="Closed besides, one a line (YYYY-MM-DD)"
          lines={3}
          pause
          value={calendar.holidays.join('\n')}
          onChange={(text) =>
            change({
              calendar: {
                ...calendar,
                holidays: text
                  .split(/[\s,;]+/)
                  .filter(Boolean)
                  .slice(0, 400),
              },
            })
          }
        />
        <Fields>
          <Plain
            label="Benches"
            unit=""
            min={1}
            max={50}
            whole
            value={capacity.benches}
            onChange={(benches) => change({ capacity: { ...capacity, benches } })}
          />
          <Percent
            label="Of the open hours at work"
            value={capacity.benchShare}
            onChange={(benchShare) => benchShare > 0 && change({ capacity: { ...capacity, benchShare } })}
          />
        </Fields>
      </Stack>
    </Section>
  );
}
