'use client';
import { Search } from 'lucide-react';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { ComboBox, Input, ListBox, ListBoxItem, Popover } from 'react-aria-components';
import styled from 'styled-components';
import { findIn } from '@/core/inspection';
import type { Hit } from '@/core/inspection';
import { useInspection } from '@/ui/inspection/use-inspection';
import { Shortcuts } from '@/ui/system';

const Box = styled(ComboBox)`
  position: relative;
  flex: 0 1 164px;
  min-width: 120px;
  svg {
    position: absolute;
    left: 9px;
    top: 13px;
    color: var(--ink-soft);
    pointer-events: none;
  }
`;
const Words = styled(Input)`
  width: 100%;
  min-height: 44px;
  padding: 4px 8px 4px 34px;
  border: 0;
  border-bottom: 2px solid var(--rule-strong);
  border-radius: 3px 3px 0 0;
  background: var(--inset);
  color: var(--ink);
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

/** Anything of the unit by a few of its words, at whichever station it lies. */
export function Find({ onFind }: { onFind: (hit: Hit) => void }) {
  const inspection = useInspection();
  const { stations } = inspection.unit;
  const [typed, setTyped] = useState('');
  const sought = useDeferredValue(typed);
  const hits = useMemo(
    () =>
      findIn(inspection, sought).map((hit) => ({ id: `${hit.subject.slot} ${hit.point?.key ?? ''}`, hit })),
    [inspection, sought],
  );
  const input = useRef<HTMLInputElement>(null);
  const take = (hit: Hit | undefined) => {
    setTyped('');
    if (hit) onFind(hit);
  };
  return (
    <>
      <Box
        aria-label="Find a part or what is looked at"
        items={hits}
        inputValue={typed}
        onInputChange={setTyped}
        value={null}
        onChange={(key) => take(hits.find((h) => h.id === key)?.hit)}
        menuTrigger="input"
        allowsEmptyCollection={false}
      >
        <Search size={18} aria-hidden />
        <Words
          ref={input}
          placeholder="Find"
          onKeyDown={(event) => {
            // Enter alone takes the best one; typed just now, it is not drawn yet.
            if (event.key !== 'Enter' || input.current?.getAttribute('aria-activedescendant')) return;
            // The focus goes to what was found, and the key must not press it.
            event.preventDefault();
            take(findIn(inspection, typed)[0]);
          }}
        />
        <Found placement="bottom end">
          <ListBox<{ id: string; hit: Hit }>>
            {({ hit }) => (
              <One textValue={hit.words}>
                <span>{hit.words}</span>
                <small>{stations.find((s) => s.id === hit.subject.station)?.name}</small>
              </One>
            )}
          </ListBox>
        </Found>
      </Box>
      <Shortcuts
        list={[{ key: 'f', words: 'Find a part or what is looked at', run: () => input.current?.focus() }]}
      />
    </>
  );
}
