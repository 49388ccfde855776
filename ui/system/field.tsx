'use client';
import { digitsOf, fromMinor, MOST_MONEY, toMinor } from '@/core/shop';
import { Input, Label, Text, TextArea, TextField } from 'react-aria-components';
import styled from 'styled-components';
import { readNumber } from './number';
import { useTyping } from './typing';

const Shell = styled(TextField)`
  display: grid;
  gap: 4px;
  min-width: 0;
  align-content: start;
`;
export const FieldLabel = styled(Label)`
  font-size: 0.875rem;
  font-stretch: 92%;
  color: var(--ink-soft);
`;
const boxed = `
  width: 100%;
  min-height: 44px;
  padding: 8px 10px;
  border: 0;
  border-bottom: 2px solid var(--rule-strong);
  border-radius: 3px 3px 0 0;
  background: var(--inset);
  color: var(--ink);
`;
/** The box itself, for a page that is drawn on the server alone. */
export const TextBox = styled(Input)`
  ${boxed}
  &[data-invalid] {
    border-color: var(--bad);
  }
`;
export const TextLines = styled(TextArea)`
  ${boxed}
  resize: vertical;
`;
const Unit = styled.span`
  position: absolute;
  right: 10px;
  top: 0;
  height: 44px;
  display: grid;
  align-items: center;
  color: var(--ink-soft);
  pointer-events: none;
`;
const Note = styled(Text)`
  font-size: 0.8125rem;
  color: var(--ink-soft);
  &[data-bad] {
    color: var(--bad);
  }
`;

interface Common {
  label: string;
  hideLabel?: boolean;
  description?: string;
  disabled?: boolean;
  /** See useTyping. */
  keep?: string;
  pause?: boolean;
}

/** A line or a few lines of text. */
export function TextInput(
  props: Common & {
    value: string;
    onChange: (text: string) => void;
    lines?: number;
    type?: string;
    autoComplete?: string;
    maxLength?: number;
  },
) {
  const { shown, type, leave } = useTyping({
    keep: props.keep,
    pause: props.pause,
    value: props.value,
    take: (text) => {
      props.onChange(text);
      return true;
    },
  });
  return (
    <Shell
      value={shown}
      onChange={type}
      onBlur={leave}
      aria-label={props.hideLabel ? props.label : undefined}
      isDisabled={props.disabled}
      type={props.type}
      autoComplete={props.autoComplete}
      maxLength={props.maxLength}
    >
      {!props.hideLabel && <FieldLabel>{props.label}</FieldLabel>}
      {props.lines ? <TextLines rows={props.lines} /> : <TextBox />}
      {props.description && <Note slot="description">{props.description}</Note>}
    </Shell>
  );
}

/** An amount of money: typed as people write it, kept in minor units. Empty is not set; 0 is for nothing. */
export function MoneyInput({
  currency,
  per = '',
  value,
  most = MOST_MONEY,
  onChange,
  ...common
}: Common & {
  currency: string;
  /** "a litre" */
  per?: string;
  /** Minor units. */
  value: number | null | undefined;
  most?: number;
  onChange: (value: number | null) => void;
}) {
  return (
    <NumberInput
      {...common}
      unit={[currency, per].filter(Boolean).join(' ')}
      min={0}
      max={fromMinor(most, currency)}
      whole={digitsOf(currency) === 0}
      value={value === null || value === undefined ? undefined : fromMinor(value, currency)}
      onChange={(v) => onChange(v === null ? null : toMinor(v, currency))}
    />
  );
}

/** The next field of readings on the page, its number chosen so that what is typed replaces it. */
function nextReading(from: HTMLElement): void {
  const all = [...document.querySelectorAll<HTMLInputElement>('[data-reading] input')];
  const next = all[all.indexOf(from as HTMLInputElement) + 1];
  if (!next) return from.blur();
  next.focus();
  next.select();
}

/** A plainly typed number with its unit; out of bounds is said at once and not written. */
export function NumberInput(
  props: Common & {
    value: number | undefined;
    unit: string;
    min: number;
    max: number;
    whole?: boolean;
    /** One of many: what a gauge types and Enter goes on to the next. */
    reading?: boolean;
    /** In place of going to the next field of the page. */
    onEnter?: () => void;
    autoFocus?: boolean;
    onChange: (value: number | null) => void;
  },
) {
  const bounds = { min: props.min, max: props.max, whole: props.whole };
  const { shown, type, leave, settle } = useTyping({
    keep: props.keep,
    pause: props.pause,
    value: props.value === undefined ? '' : String(props.value),
    take: (text) => {
      const read = readNumber(text, bounds);
      if (read.kind === 'wrong') return false;
      props.onChange(read.kind === 'value' ? read.value : null);
      return true;
    },
  });
  const read = readNumber(shown, bounds);
  const problem = read.kind === 'wrong' ? read.words : null;
  return (
    <Shell
      value={shown}
      onChange={type}
      onBlur={leave}
      isInvalid={problem !== null}
      inputMode="decimal"
      onKeyDown={
        props.reading
          ? (event) => {
              if (event.key !== 'Enter') return;
              event.preventDefault();
              if (!settle()) return;
              if (props.onEnter) props.onEnter();
              else nextReading(event.target as HTMLElement);
            }
          : undefined
      }
      data-reading={(props.reading && !props.onEnter) || undefined}
      autoFocus={props.autoFocus}
      aria-label={props.hideLabel ? props.label : undefined}
      isDisabled={props.disabled}
    >
      {!props.hideLabel && <FieldLabel>{props.label}</FieldLabel>}
      <span style={{ position: 'relative' }}>
        <TextBox />
        <Unit aria-hidden>{props.unit}</Unit>
      </span>
      {problem ? (
        <Note slot="errorMessage" data-bad>
          {problem}
        </Note>
      ) : (
        props.description && <Note slot="description">{props.description}</Note>
      )}
    </Shell>
  );
}
