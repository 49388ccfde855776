'use client';
import { parseDate } from '@internationalized/date';
import type { CalendarDate } from '@internationalized/date';
import { CalendarDays, ChevronLeft, ChevronRight, X } from 'lucide-react';
import {
  Button as AriaButton,
  Calendar,
  CalendarCell,
  CalendarGrid,
  CalendarGridBody,
  CalendarGridHeader,
  CalendarHeaderCell,
  DateInput,
  DatePicker,
  DateSegment,
  Dialog,
  Group,
  Heading,
  I18nProvider,
  Popover,
} from 'react-aria-components';
import styled from 'styled-components';
import { LOCALE } from '@/core/shop';
import { FieldLabel } from './field';

const Shell = styled(DatePicker)`
  display: grid;
  gap: 4px;
`;
const Box = styled(Group)`
  display: flex;
  align-items: center;
  min-height: 44px;
  padding-left: 10px;
  border-bottom: 2px solid var(--rule-strong);
  border-radius: 3px 3px 0 0;
  background: var(--inset);
`;
const Segments = styled(DateInput)`
  display: flex;
  flex: 1;
`;
const Segment = styled(DateSegment)`
  padding: 2px 1px;
  border-radius: 2px;
  &[data-placeholder] {
    color: var(--ink-soft);
  }
  &[data-focused] {
    background: var(--accent);
    color: var(--accent-ink);
    outline: none;
  }
`;
const Press = styled(AriaButton)`
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  border: 0;
  background: transparent;
  color: inherit;
  cursor: pointer;
`;
const Sheet = styled(Popover)`
  background: var(--sheet);
  border: 1px solid var(--rule-strong);
  border-top: 6px solid var(--accent);
  padding: 10px;
  header {
    display: flex;
    align-items: center;
    justify-content: space-between;
  }
  h2 {
    font-size: 1.0625rem;
  }
  th {
    font-weight: 400;
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
`;
const Cell = styled(CalendarCell)`
  display: grid;
  place-items: center;
  width: 44px;
  height: 44px;
  border-radius: 3px;
  cursor: pointer;
  &[data-outside-month] {
    visibility: hidden;
  }
  &[data-hovered] {
    background: var(--inset);
  }
  &[data-selected] {
    background: var(--accent);
    color: var(--accent-ink);
  }
`;

/** A calendar day, typed or picked, written as the shop writes days; `value` is YYYY-MM-DD. */
export function DayInput(props: {
  label: string;
  value: string | null;
  onChange: (day: string | null) => void;
}) {
  return (
    <I18nProvider locale={LOCALE}>
      <Shell
        value={readDay(props.value)}
        onChange={(day) => props.onChange(day?.toString() ?? null)}
        minValue={FIRST}
        maxValue={LAST}
        shouldForceLeadingZeros
      >
        <FieldLabel>{props.label}</FieldLabel>
        <Box>
          <Segments>{(segment) => <Segment segment={segment} />}</Segments>
          {props.value && (
            <Press slot={null} aria-label={`Clear: ${props.label}`} onPress={() => props.onChange(null)}>
              <X size={18} aria-hidden />
            </Press>
          )}
          <Press aria-label={`Calendar: ${props.label}`}>
            <CalendarDays size={20} aria-hidden />
          </Press>
        </Box>
        <Sheet>
          <Dialog aria-label={props.label}>
            <Calendar>
              <header>
                <Press slot="previous" aria-label="The month before">
                  <ChevronLeft size={20} aria-hidden />
                </Press>
                <Heading />
                <Press slot="next" aria-label="The month after">
                  <ChevronRight size={20} aria-hidden />
                </Press>
              </header>
              <CalendarGrid>
                <CalendarGridHeader>
                  {(day) => <CalendarHeaderCell>{day}</CalendarHeaderCell>}
                </CalendarGridHeader>
                <CalendarGridBody>{(date) => <Cell date={date} />}</CalendarGridBody>
              </CalendarGrid>
            </Calendar>
          </Dialog>
        </Sheet>
      </Shell>
    </I18nProvider>
  );
}

const FIRST = parseDate('2000-01-01');
const LAST = parseDate('2099-12-31');

function readDay(text: string | null): CalendarDate | null {
  try {
    return text ? parseDate(text) : null;
  } catch {
    return null;
  }
}
