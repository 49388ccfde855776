'use client';
import { Search } from 'lucide-react';
import { useDeferredValue, useMemo } from 'react';
import { ComboBox, Input, ListBox, ListBoxItem, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { findIn } from '@/core/inspection';
import type { Hit } from '@/core/inspection';
import { takeOnEnter, useKeptFocus } from './find';
import type { FindProps } from './find';
import { findField, findPlace } from './find-look';
import { useInspection } from '@/ui/job/use-inspection';

const Box = styled(ComboBox)`
  ${findPlace}
`;
const Words = styled(Input)`
  ${findField}
`;
const Found = styled(Popover)`
  width: min(430px, calc(100vw - 24px));
  max-height: 420px;
  overflow: auto;
  background: var(--sheet);
  border: 1.5px solid var(--ink);
  box-shadow: 0 8px 0 -4px var(--rule);
`;
const One = styled(ListBoxItem)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 12px;
  align-items: center;
  min-height: 44px;
  padding: 4px 12px;
  border-bottom: 1px solid var(--rule);
  cursor: pointer;
  small {
    color: var(--ink-soft);
    font-size: 0.8125rem;
  }
  &[data-focused],
  &[data-hovered] {
    background: var(--accent-wash);
    box-shadow: inset 5px 0 0 var(--accent);
    outline: none;
  }
`;

const Nothing = styled.p`
  padding: 12px;
  color: var(--ink-soft);
`;

/** The field with its list: whatever is found, at whichever station it lies. */
export function FindBox({ typed, onType, onTake, focused }: FindProps) {
  const inspection = useInspection();
  const { stations } = inspection.unit;
  const sought = useDeferredValue(typed);
  const hits = useMemo(
    () =>
      findIn(inspection, sought).map((hit) => ({ id: `${hit.subject.slot} ${hit.point?.key ?? ''}`, hit })),
    [inspection, sought],
  );
  const input = useKeptFocus(focused);
  return (
    <Box
      aria-label="Find a part or what is looked at"
      items={hits}
      inputValue={typed}
      onInputChange={onType}
      value={null}
      onChange={(key) => {
        const hit = hits.find((h) => h.id === key)?.hit;
        if (hit) onTake(hit);
      }}
      menuTrigger="input"
      // Who types fast is ahead of the list: it opens all the same, and is filled when it comes.
      allowsEmptyCollection
    >
      <Search size={18} aria-hidden />
      <Words
        ref={input}
        placeholder="Find"
        onKeyDown={(event) => {
          if (!input.current?.getAttribute('aria-activedescendant')) takeOnEnter(event, onTake);
        }}
      />
      <Found placement="bottom end">
        <ListBox<{ id: string; hit: Hit }>
          renderEmptyState={() => (
            <Nothing>
              {sought.trim() ? 'Nothing of this unit is called that.' : 'A few letters are enough.'}
            </Nothing>
          )}
        >
          {({ hit }) => (
            <One textValue={hit.words}>
              <span>{hit.words}</span>
              <small>{stations.find((s) => s.id === hit.subject.station)?.name}</small>
            </One>
          )}
        </ListBox>
      </Found>
    </Box>
  );
}
