'use client';
import { Search } from 'lucide-react';
import { useLayoutEffect, useRef, useState } from 'react';
import styled from 'styled-components';
import { findIn } from '@/core/inspection';
import type { Hit } from '@/core/inspection';
import { useInspection } from '@/ui/job/use-inspection';
import { later, Shortcuts, useLater, useWhenQuiet } from '@/ui/system';
import { findField, findPlace } from './find-look';

const Place = styled.div`
  ${findPlace}
`;
const Field = styled.input`
  ${findField}
`;

/** What the field needs to know, whoever draws it. */
export interface FindProps {
  typed: string;
  onType: (typed: string) => void;
  /** Null: the best of what was typed. */
  onTake: (hit: Hit | null) => void;
  /** Whether the field has the focus: the keys stay where they are when it is drawn anew. */
  focused: React.RefObject<boolean>;
}

const box = later(() => import('./find-box'));

/** Anything of the unit by a few of its words. The list is a large piece of script, and waits until somebody looks. */
export function Find({ onFind }: { onFind: (hit: Hit) => void }) {
  const inspection = useInspection();
  const [wanted, setWanted] = useState(false);
  const [typed, setTyped] = useState('');
  const place = useRef<HTMLDivElement>(null);
  useWhenQuiet(box);
  // Until it comes, and where it does not, Enter takes the best all the same.
  const { piece } = useLater(box, wanted);
  const focused = useRef(false);
  const props: FindProps = {
    focused,
    typed,
    onType: setTyped,
    onTake: (hit) => {
      const found = hit ?? findIn(inspection, typed)[0];
      setTyped('');
      if (found) onFind(found);
    },
  };
  return (
    <div ref={place} style={{ flex: '0 1 164px', minWidth: 120 }}>
      {piece ? <piece.FindBox {...props} /> : <Plain {...props} onWanted={() => setWanted(true)} />}
      <Shortcuts
        list={[
          {
            key: 'f',
            words: 'Find a part or what is looked at',
            run: () => place.current?.querySelector('input')?.focus(),
          },
        ]}
      />
    </div>
  );
}

/** Takes what is typed while the list is still on its way. */
function Plain(props: FindProps & { onWanted: () => void }) {
  const { typed, onType, onTake, focused, onWanted } = props;
  const input = useKeptFocus(focused);
  return (
    <Place>
      <Search size={18} aria-hidden />
      <Field
        aria-label="Find a part or what is looked at"
        placeholder="Find"
        ref={input}
        value={typed}
        onFocus={() => {
          focused.current = true;
          onWanted();
        }}
        onBlur={() => (focused.current = false)}
        onChange={(event) => onType(event.target.value)}
        onKeyDown={(event) => takeOnEnter(event, onTake)}
      />
    </Place>
  );
}

/** What is drawn in place of a field that had the focus has it. */
export function useKeptFocus(focused: FindProps['focused']): React.RefObject<HTMLInputElement | null> {
  const input = useRef<HTMLInputElement>(null);
  useLayoutEffect(() => {
    if (focused.current) input.current?.focus();
  }, [focused]);
  return input;
}

/** Enter alone takes the best. The focus goes to what was found, and the key must not press it. */
export function takeOnEnter(event: React.KeyboardEvent, onTake: FindProps['onTake']): void {
  if (event.key !== 'Enter') return;
  event.preventDefault();
  onTake(null);
}
