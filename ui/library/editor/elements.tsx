'use client';
import { ChevronDown, ChevronRight, Trash2 } from 'lucide-react';
import { useState } from 'react';
import styled from 'styled-components';
import { addElement, removeElement, replaceElement, tidy } from '@/core/unit';
import type { Element, ElementKind, UnitDefinition } from '@/core/unit';
import { Button, Fields, Line, Section, Stack, TextInput } from '@/ui/system';
import { BAND, CAPACITY, ELEMENT, PACK } from './element-columns';
import { firstSetUp, SET_UP, WORN } from './set-up-columns';
import { MemberPick } from './gearsets';
import { ColumnField } from './rows';
import type { Change } from './use-draft';

const Row = styled.div`
  padding: 8px 0;
  border-top: 1px solid var(--rule);
  &:first-child {
    border-top: 0;
    padding-top: 0;
  }
  > div:first-child {
    display: grid;
    grid-template-columns: minmax(0, 1.1fr) minmax(0, 1fr) minmax(0, 1fr) 128px 44px;
    gap: 8px 16px;
    align-items: end;
  }
  @media (max-width: 860px) {
    > div:first-child {
      grid-template-columns: 1fr 1fr;
    }
  }
`;
const More = styled.div`
  padding: 14px 0 10px;
`;

const KINDS: { kind: ElementKind; words: string }[] = [
  { kind: 'clutch', words: 'Add a clutch' },
  { kind: 'brake', words: 'Add a brake' },
  { kind: 'band', words: 'Add a band' },
  { kind: 'one-way', words: 'Add a one-way clutch' },
  { kind: 'dog', words: 'Add a dog' },
];

/** Elements: what each joins or holds; its plates and paths open below it. */
export function ElementsForm({ unit, change }: { unit: UnitDefinition; change: Change }) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <Section
      title="Elements"
      note="What joins two members, or holds one to the case. Plates and parts come with usual figures: open one to put in what you measured."
    >
      <Stack>
        <div>
          {unit.elements.map((element) => (
            <Row key={element.id} role="group" aria-label={element.name}>
              <Joins
                unit={unit}
                element={element}
                change={change}
                isOpen={open === element.id}
                onOpen={() => setOpen(open === element.id ? null : element.id)}
              />
              {open === element.id && <Details unit={unit} element={element} change={change} />}
            </Row>
          ))}
        </div>
        <Line>
          {KINDS.map(({ kind, words }) => (
            <Button key={kind} onPress={() => change((u) => addElement(u, kind))}>
              {words}
            </Button>
          ))}
        </Line>
      </Stack>
    </Section>
  );
}

function Joins(props: {
  unit: UnitDefinition;
  element: Element;
  change: Change;
  isOpen: boolean;
  onOpen: () => void;
}) {
  const { unit, element, change } = props;
  const put = (next: Element) => change((u) => tidy(replaceElement(u, next)));
  const holds = element.kind === 'brake' || element.kind === 'band';
  return (
    <div>
      <TextInput
        label="Name"
        value={element.name}
        pause
        maxLength={120}
        onChange={(name) => name && put({ ...element, name })}
      />
      <MemberPick
        unit={unit}
        label={holds ? 'Holds' : element.kind === 'one-way' ? 'May run ahead' : 'Joins'}
        value={element.a}
        own={`${element.name} hub`}
        onChange={(a, grown) => change((u) => tidy(replaceElement(grown(u), { ...element, a })))}
      />
      {holds ? (
        <span style={{ alignSelf: 'center', color: 'var(--ink-soft)' }}>to the case</span>
      ) : (
        <MemberPick
          unit={unit}
          label={element.kind === 'one-way' ? 'of' : 'with'}
          value={element.b}
          fixed={element.kind === 'one-way'}
          own={`${element.name} drum`}
          onChange={(b, grown) => change((u) => tidy(replaceElement(grown(u), { ...element, b })))}
        />
      )}
      <Button $kind="quiet" aria-expanded={props.isOpen} onPress={props.onOpen}>
        {props.isOpen ? <ChevronDown size={18} aria-hidden /> : <ChevronRight size={18} aria-hidden />}
        {element.pack ? 'Plates' : 'Details'}
      </Button>
      <Button
        $kind="quiet"
        aria-label={`Remove ${element.name}`}
        onPress={() => change((u) => removeElement(u, element.id))}
      >
        <Trash2 size={18} aria-hidden />
      </Button>
    </div>
  );
}

function Details({ unit, element, change }: { unit: UnitDefinition; element: Element; change: Change }) {
  const put = (next: Element) => change((u) => replaceElement(u, next));
  const { pack, band } = element;
  return (
    <More>
      <Stack>
        {pack && (
          <Fields $min={150}>
            {[...PACK, ...WORN].map((column) => (
              <ColumnField
                key={column.label}
                unit={unit}
                column={column}
                row={pack}
                onChange={(p) => put({ ...element, pack: p })}
              />
            ))}
          </Fields>
        )}
        {pack?.setUp && (
          <Fields $min={150}>
            {SET_UP.map((column) => (
              <ColumnField
                key={column.label}
                unit={unit}
                column={column}
                row={pack.setUp!}
                onChange={(setUp) => put({ ...element, pack: { ...pack, setUp } })}
              />
            ))}
          </Fields>
        )}
        {pack && !pack.setUp && (
          <div>
            <Button
              $kind="quiet"
              onPress={() => put({ ...element, pack: { ...pack, setUp: firstSetUp(pack) } })}
            >
              Say how it is stacked
            </Button>
          </div>
        )}
        {band && (
          <Fields $min={150}>
            {BAND.map((column) => (
              <ColumnField
                key={column.label}
                unit={unit}
                column={column}
                row={band}
                onChange={(b) => put({ ...element, band: b })}
              />
            ))}
          </Fields>
        )}
        <Fields $min={180}>
          {[...(pack || band ? [] : [CAPACITY]), ...ELEMENT].map((column) => (
            <ColumnField key={column.label} unit={unit} column={column} row={element} onChange={put} />
          ))}
        </Fields>
      </Stack>
    </More>
  );
}
