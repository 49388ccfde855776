'use client';
import styled from 'styled-components';
import type { Finding, Json } from '@/core/case';
import { findingWords } from '@/core/inspection';
import { useInspection } from './use-inspection';
import { Button, Line, Notice } from '@/ui/system';
import { useBench, useClashes } from './provider';
import { slotWords } from './slot-words';

const Two = styled(Notice)`
  display: grid;
  gap: 8px;
`;

/** Where two people wrote one field at once: whose value stands, and the other one to take instead. */
export function ClashList() {
  const { user, write } = useBench();
  const inspection = useInspection();
  const { clashes, dismiss } = useClashes();
  const said = (slot: string, value: Json) => {
    const found = value === null ? null : inspection.named(slot);
    return found ? `“${findingWords(found.point, value as Finding)}”` : valueWords(value);
  };
  return clashes.map((clash) => {
    const { slot, stands, other } = clash;
    const whose = (by: string) => (by === user.name ? 'yours' : by);
    return (
      <Two as="div" key={`${slot} ${stands.seq}`} role="alert" data-testid="clash">
        <span>
          <b>{capital(slotWords(inspection, slot))}</b> was written by two people at once.{' '}
          {stands.by === user.name ? 'Yours' : `${stands.by}’s`} stands: {said(slot, stands.value)}. The
          other, {whose(other.by)}: {said(slot, other.value)}.
        </span>
        <Line>
          <Button
            $small
            onPress={() => {
              write(slot, other.value);
              dismiss(clash);
            }}
          >
            Take {other.by === user.name ? 'mine' : `${other.by}’s`}
          </Button>
          <Button $small $kind="quiet" onPress={() => dismiss(clash)}>
            Leave it
          </Button>
        </Line>
      </Two>
    );
  });
}

const capital = (words: string) => words.charAt(0).toUpperCase() + words.slice(1);
const LONGEST = 90;

/** A recorded value as words: its fields one after the other, never raw JSON. */
function valueWords(value: Json): string {
  if (value === null) return 'cleared';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (Array.isArray(value)) return value.map(valueWords).join(', ') || 'nothing';
  if (typeof value === 'object')
    return Object.entries(value)
      .map(([name, v]) => `${name} ${valueWords(v)}`)
      .join(', ');
  const text = String(value).replaceAll('-', ' ');
  return `“${text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text}”`;
}
