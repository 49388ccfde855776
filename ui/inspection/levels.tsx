'use client';
import { ToggleButton, ToggleButtonGroup } from 'react-aria-components';
import styled from 'styled-components';
import { CANNOT_TELL, TAKEDOWN } from '@/core/case';
import { toneOf } from '@/core/inspection';
import type { CataloguePoint, Tone } from '@/core/inspection';
import type { Option } from '@/ui/system';
import { benchConditions } from './bench-warmth';
import type { FindingHandle } from './use-finding';

const Group = styled(ToggleButtonGroup)`
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 0 2px;
`;
const Level = styled(ToggleButton)<{ $tone?: Tone; $quick?: boolean }>`
  min-height: 46px;
  min-width: 50px;
  padding: 0 8px;
  border: 0;
  border-bottom: 2px solid var(--rule-strong);
  background: ${(p) => (p.$quick ? 'transparent' : 'var(--sheet)')};
  color: var(--ink);
  font-size: 0.875rem;
  font-stretch: 82%;
  cursor: pointer;
  &[data-hovered] {
    background: var(--inset);
    border-bottom-color: var(--ink);
  }
  &[data-selected] {
    background: ${(p) => (p.$tone ? `var(--${p.$tone}-wash)` : 'var(--ink)')};
    border-bottom: 5px ${(p) => (p.$tone === 'good' ? 'double' : 'solid')}
      ${(p) => (p.$tone ? `var(--${p.$tone})` : 'var(--accent)')};
    color: ${(p) => (p.$tone ? `var(--${p.$tone})` : 'var(--sheet)')};
    font-weight: 700;
  }
`;
const Side = styled(ToggleButton)`
  min-height: 26px;
  padding: 0 5px;
  border: 0;
  background: transparent;
  color: var(--ink-soft);
  font-size: 0.75rem;
  font-stretch: 80%;
  line-height: 1;
  cursor: pointer;
  position: relative;
  &::before {
    content: '';
    position: absolute;
    inset: -9px 0;
  }
  @media (pointer: coarse), (max-width: 700px) {
    min-height: 44px;
  }
  &[data-hovered] {
    text-decoration: underline;
  }
  &[data-selected] {
    background: var(--ink);
    color: var(--sheet);
    font-weight: 700;
  }
`;

/** Answers every point has beside its own. */
const UNJUDGED = [
  { value: CANNOT_TELL, label: 'Cannot tell' },
  { value: TAKEDOWN, label: 'Damaged by us' },
] as const;

export function optionsOf({ levels }: CataloguePoint): Option<string>[] {
  return [...levels.values()].map(({ id, words, severity }) => ({
    value: id,
    label: words,
    tone: toneOf(severity),
  }));
}

/** One word of a scale, or that it cannot be judged; pressed again it is taken back. */
export function Levels(props: {
  point: CataloguePoint;
  handle: FindingHandle;
  label: string;
  /** In a row: the point's own words alone. */
  quick?: boolean;
}) {
  const { point, handle, label, quick } = props;
  const is = handle.finding?.is;
  const unjudged = UNJUDGED.find((o) => o.value === is);
  return (
    <Group
      aria-label={label}
      selectionMode="single"
      selectedKeys={typeof is === 'string' ? [is] : []}
      onSelectionChange={(keys) =>
        handle.say(([...keys][0] as string | undefined) ?? null, benchConditions(point))
      }
    >
      {optionsOf(point).map((o) => (
        <Level key={o.value} id={o.value} $tone={o.tone} $quick={quick}>
          {o.label}
        </Level>
      ))}
      {quick && unjudged && <Side id={unjudged.value}>{unjudged.label}</Side>}
    </Group>
  );
}

/** What may be said of anything in place of its own answers. */
export function Unjudged({ handle, label }: { handle: FindingHandle; label: string }) {
  const is = handle.finding?.is;
  return UNJUDGED.map((o) => (
    <Side
      key={o.value}
      aria-label={`${label}: ${o.label.toLowerCase()}`}
      isSelected={is === o.value}
      onChange={(on) => handle.say(on ? o.value : null)}
    >
      {o.label}
    </Side>
  ));
}
