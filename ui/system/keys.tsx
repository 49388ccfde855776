'use client';
import { useEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { Dialog } from './dialog';

/** A key (`/`, `?`, `ctrl+z`), what it does in words, and the doing. */
export interface Shortcut {
  key: string;
  words: string;
  run?: () => void;
}

const Sheet = styled.dl`
  display: grid;
  grid-template-columns: auto minmax(0, 1fr);
  gap: 10px 18px;
  align-items: center;
  kbd {
    display: inline-block;
    min-width: 36px;
    padding: 4px 10px;
    border: 1.5px solid var(--rule-strong);
    border-bottom-width: 3px;
    border-radius: 3px;
    background: var(--inset);
    font: inherit;
    font-weight: 650;
    text-align: center;
  }
`;

/** Listens for the shortcuts of a page, never while somebody types, and shows them all on `?`. */
export function Shortcuts({ list }: { list: Shortcut[] }) {
  const [shown, setShown] = useState(false);
  const latest = useRef(list);
  useEffect(() => {
    latest.current = list;
  });
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const at = event.target as HTMLElement;
      if (at.closest('input, textarea, select, [role=dialog]') || event.altKey) return;
      const key = `${event.ctrlKey || event.metaKey ? 'ctrl+' : ''}${event.key}`;
      const found = latest.current.find((s) => s.key === key && s.run);
      if (key !== '?' && !found) return;
      event.preventDefault();
      if (found) found.run!();
      else setShown(true);
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <Dialog title="Keys" isOpen={shown} onClose={() => setShown(false)}>
      <Sheet>
        {[...list, { key: '?', words: 'This sheet' }, { key: 'Esc', words: 'Put a dialog away' }].map(
          ({ key, words }) => [
            <dt key={key}>
              <kbd>
                {key.replace('ctrl+', 'Ctrl ').replace(/ (\w)$/, (_, k: string) => ` ${k.toUpperCase()}`)}
              </kbd>
            </dt>,
            <dd key={`${key} words`}>{words}</dd>,
          ],
        )}
      </Sheet>
    </Dialog>
  );
}
