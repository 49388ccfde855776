'use client';
import { memo } from 'react';
import type { ReactNode } from 'react';
import styled from 'styled-components';

const Row = styled.div`
  display: grid;
  grid-auto-flow: column;
  grid-auto-columns: minmax(0, 1fr);
  gap: 4px;
  @media (max-width: 700px) {
    grid-auto-flow: row;
    grid-template-columns: repeat(5, minmax(0, 1fr));
  }
`;
const Swatch = styled.button`
  display: grid;
  grid-template-rows: 22px auto;
  gap: 2px;
  min-height: 54px;
  padding: 2px 3px 3px;
  border: 1.5px solid var(--rule-strong);
  border-radius: 3px;
  background: var(--sheet);
  font-size: 0.8125rem;
  font-stretch: 78%;
  line-height: 1.1;
  text-align: center;
  cursor: pointer;
  svg {
    width: 100%;
    height: 22px;
  }
  &[aria-pressed='true'] {
    border-color: var(--accent);
    background: var(--accent-wash);
    box-shadow: inset 0 -4px 0 var(--accent);
    font-weight: 650;
  }
  kbd {
    font: inherit;
    font-weight: 700;
  }
`;

interface Props<B> {
  name: string;
  brushes: readonly B[];
  value: B;
  onChange: (brush: B) => void;
  /** What it leaves behind, about 60 by 22. */
  picture: (brush: B) => ReactNode;
}

/** Conditions to paint with, each with its number key; drawn anew only when another is chosen. */
export const Palette = memo(Swatches) as typeof Swatches;

function Swatches<B extends { key: string; label: string }>(props: Props<B>) {
  return (
    <Row role="group" aria-label={`Condition to paint, ${props.name}`}>
      {props.brushes.map((b) => (
        <Swatch key={b.key} type="button" aria-pressed={b === props.value} onClick={() => props.onChange(b)}>
          {props.picture(b)}
          <span>
            <kbd>{b.key}</kbd> {b.label}
          </span>
        </Swatch>
      ))}
    </Row>
  );
}
