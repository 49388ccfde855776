'use client';
import { Trash2 } from 'lucide-react';
import { createContext, useContext, useState } from 'react';
import styled from 'styled-components';
import { Button as AriaButton } from 'react-aria-components';
import type { UnitDefinition } from '@/core/unit';
import { Button, FieldLabel, Fields, Line, MoneyInput, NumberInput, Picker, TextInput } from '@/ui/system';

/** One field of a row. Numbers are shown times `scale` in `unit` and kept in SI. */
export type Column<T> = { label: string } & (
  | { kind: 'text' | 'lines'; read: (row: T) => string; write: (row: T, text: string) => T }
  | {
      kind: 'number';
      unit: string | ((row: T) => string);
      scale?: number | ((row: T) => number);
      min?: number;
      max: number;
      whole?: boolean;
      read: (row: T) => number | undefined;
      write: (row: T, value: number | undefined) => T;
    }
  | {
      kind: 'money';
      /** Minor units of the shop's currency. */
      read: (row: T) => number | undefined;
      write: (row: T, value: number | undefined) => T;
    }
  | {
      kind: 'choice';
      options: (unit: UnitDefinition, row: T) => { value: string; label: string }[];
      read: (row: T) => string;
      write: (row: T, value: string) => T;
    }
  | {
      kind: 'many';
      options: (unit: UnitDefinition, row: T) => { value: string; label: string }[];
      read: (row: T) => string[];
      write: (row: T, values: string[]) => T;
    }
);

/** What prices are in: the shop's own. */
export const Currency = createContext('EUR');

const Item = styled.li`
  border-top: 1px solid var(--rule);
  &:first-child {
    border-top: 0;
  }
`;
const Head = styled(AriaButton)`
  display: flex;
  justify-content: space-between;
  gap: 14px;
  width: 100%;
  min-height: 44px;
  padding: 8px 4px;
  border: 0;
  background: none;
  text-align: left;
  cursor: pointer;
  font-weight: 600;
  &[aria-expanded='true'] {
    color: var(--accent);
  }
  small {
    font-weight: 400;
    color: var(--ink-soft);
  }
`;
const Open = styled.div`
  padding: 4px 0 16px;
  display: grid;
  gap: 12px;
`;
const Slot = styled.div`
  display: grid;
  gap: 4px;
  min-width: 0;
  select {
    width: 100%;
  }
  align-content: start;
`;

/** A list whose rows open one at a time. */
export function Rows<T extends { id: string; name: string }>(props: {
  unit: UnitDefinition;
  rows: T[];
  columns: Column<T>[];
  aside?: (row: T, currency: string) => string;
  addWords: string;
  onAdd: () => void;
  onChange: (row: T) => void;
  onRemove: (id: string) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  const currency = useContext(Currency);
  return (
    <div>
      <ul>
        {props.rows.map((row) => (
          <Item key={row.id}>
            <Head aria-expanded={open === row.id} onPress={() => setOpen(open === row.id ? null : row.id)}>
              <span>{row.name}</span>
              <small>{props.aside?.(row, currency)}</small>
            </Head>
            {open === row.id && (
              <Open>
                <Fields $min={200}>
                  {props.columns.map((column) => (
                    <ColumnField
                      key={column.label}
                      unit={props.unit}
                      column={column}
                      row={row}
                      onChange={props.onChange}
                    />
                  ))}
                </Fields>
                <div>
                  <Button $kind="quiet" onPress={() => props.onRemove(row.id)}>
                    <Trash2 size={18} aria-hidden /> Remove {row.name}
                  </Button>
                </div>
              </Open>
            )}
          </Item>
        ))}
      </ul>
      <Button $kind="quiet" onPress={props.onAdd}>
        {props.addWords}
      </Button>
    </div>
  );
}

/** The field of one column, for one row. */
export function ColumnField<T>({
  unit,
  column,
  row,
  onChange,
}: {
  unit: UnitDefinition;
  column: Column<T>;
  row: T;
  onChange: (row: T) => void;
}) {
  const currency = useContext(Currency);
  switch (column.kind) {
    case 'text':
    case 'lines':
      return (
        <TextInput
          label={column.label}
          lines={column.kind === 'lines' ? 3 : undefined}
          value={column.read(row)}
          pause
          maxLength={column.kind === 'lines' ? 4000 : 400}
          onChange={(text) => onChange(column.write(row, text))}
        />
      );
    case 'number': {
      const scale = typeof column.scale === 'function' ? column.scale(row) : (column.scale ?? 1);
      const value = column.read(row);
      return (
        <NumberInput
          label={column.label}
          unit={typeof column.unit === 'function' ? column.unit(row) : column.unit}
          min={column.min ?? 0}
          max={column.max}
          whole={column.whole}
          pause
          value={value === undefined ? undefined : Number((value * scale).toPrecision(8))}
          onChange={(typed) =>
            onChange(column.write(row, typed === null ? undefined : Number((typed / scale).toPrecision(8))))
          }
        />
      );
    }
    case 'money':
      return (
        <MoneyInput
          label={column.label}
          currency={currency}
          pause
          value={column.read(row)}
          onChange={(value) => onChange(column.write(row, value ?? undefined))}
        />
      );
    case 'choice':
      return (
        <Slot>
          <FieldLabel elementType="span">{column.label}</FieldLabel>
          <Picker
            label={column.label}
            value={column.read(row)}
            onChange={(value) => onChange(column.write(row, value))}
          >
            {column.options(unit, row).map((o) => (
              <option key={o.value} value={o.value}>
                {o.label}
              </option>
            ))}
          </Picker>
        </Slot>
      );
    case 'many':
      return <Many unit={unit} column={column} row={row} onChange={onChange} />;
  }
}

function Many<T>({
  unit,
  column,
  row,
  onChange,
}: {
  unit: UnitDefinition;
  column: Extract<Column<T>, { kind: 'many' }>;
  row: T;
  onChange: (row: T) => void;
}) {
  const options = column.options(unit, row);
  const chosen = column.read(row);
  return (
    <Slot>
      <FieldLabel elementType="span">{column.label}</FieldLabel>
      <Line $gap={4}>
        {chosen.map((id, k) => {
          const label = options.find((o) => o.value === id)?.label ?? id;
          return (
            <Button
              key={id}
              $small
              aria-label={`${column.label}: without ${label}`}
              onPress={() =>
                onChange(
                  column.write(
                    row,
                    chosen.filter((_, i) => i !== k),
                  ),
                )
              }
            >
              {label} ×
            </Button>
          );
        })}
      </Line>
      <Picker
        label={`Add to: ${column.label}`}
        value=""
        onChange={(value) => onChange(column.write(row, [...chosen, value]))}
      >
        <option value="" disabled>
          Add …
        </option>
        {options
          .filter((o) => !chosen.includes(o.value))
          .map((o) => (
            <option key={o.value} value={o.value}>
              {o.label}
            </option>
          ))}
      </Picker>
    </Slot>
  );
}
