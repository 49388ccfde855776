'use client';
import styled from 'styled-components';
import { MoneyInput, NumberInput } from '@/ui/system';
import { useDraft } from './draft';

/** A row with its name beside it. */
export const Named = styled.div`
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 10px 18px;
  align-items: end;
  > b {
    font-weight: 650;
    padding-bottom: 10px;
  }
  @media (max-width: 600px) {
    grid-template-columns: minmax(0, 1fr);
    > b {
      padding: 8px 0 0;
    }
  }
`;

interface Props {
  label: string;
  value: number;
  onChange: (value: number) => void;
  description?: string;
}

/** An amount in the shop's currency, kept in minor units. */
export function Money({ label, value, onChange, per, description }: Props & { per?: string }) {
  const { terms, round } = useDraft();
  return (
    <MoneyInput
      key={round}
      label={label}
      description={description}
      currency={terms.currency}
      per={per}
      pause
      value={value}
      onChange={(v) => v !== null && onChange(v)}
    />
  );
}

/** A share, shown and typed in percent. */
export function Percent({ label, value, onChange, description, max = 100 }: Props & { max?: number }) {
  const { round } = useDraft();
  return (
    <NumberInput
      key={round}
      label={label}
      description={description}
      unit="%"
      min={0}
      max={max}
      pause
      value={Number((value * 100).toFixed(4))}
      onChange={(v) => v !== null && onChange(Number((v / 100).toFixed(6)))}
    />
  );
}

/** A plain number with its unit. */
export function Plain({
  label,
  value,
  onChange,
  description,
  unit,
  min = 0,
  max,
  whole,
}: Props & { unit: string; min?: number; max: number; whole?: boolean }) {
  const { round } = useDraft();
  return (
    <NumberInput
      key={round}
      label={label}
      description={description}
      unit={unit}
      min={min}
      max={max}
      whole={whole}
      pause
      value={value}
      onChange={(v) => v !== null && onChange(v)}
    />
  );
}
