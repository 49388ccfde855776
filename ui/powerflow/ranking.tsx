'use client';
import { Button as AriaButton } from 'react-aria-components';
import styled from 'styled-components';
import type { Suspect } from '@/core/suspects';
import { likelihood } from '@/ui/job/words';

const List = styled.ol`
  display: grid;
  gap: 2px;
`;
const Pick = styled(AriaButton)`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 130px 58px;
  align-items: center;
  gap: 14px;
  width: 100%;
  min-height: 44px;
  padding: 6px 12px;
  border: 0;
  border-left: 5px solid transparent;
  background: transparent;
  text-align: left;
  cursor: pointer;
  /* On a phone the name has the width, and the bar lies under it. */
  @media (max-width: 600px) {
    grid-template-columns: minmax(0, 1fr) 58px;
    > :first-child {
      grid-column: 1 / -1;
    }
  }
  &[data-hovered] {
    background: var(--inset);
  }
  &[aria-pressed='true'] {
    background: var(--accent-wash);
    border-left-color: var(--accent);
  }
  b {
    font-weight: 650;
  }
  small {
    display: block;
    color: var(--ink-soft);
    font-size: 0.875rem;
    font-stretch: 92%;
  }
`;
const Bar = styled.span<{ $share: number }>`
  height: 9px;
  background: linear-gradient(90deg, var(--accent) ${(p) => p.$share * 100}%, var(--rule) 0);
`;
const Share = styled.span`
  text-align: right;
  font-weight: 700;
`;

const WHEN = { always: '', hot: ', hot only', cold: ', cold only' };

/** Faults by how well they fit, with the gears that agree and disagree. */
export function Ranking(props: {
  suspects: Suspect[];
  chosen: string | null;
  onChoose: (s: Suspect) => void;
  most?: number;
}) {
  return (
    <List>
      {props.suspects.slice(0, props.most ?? 6).map((s) => (
        <li key={s.id}>
          <Pick aria-pressed={s.id === props.chosen} onPress={() => props.onChoose(s)}>
            <span>
              <b>
                {s.name}
                {WHEN[s.when]}
              </b>
              <small>
                {agreement(s)}
                {s.alike.length > 0 && `; looks the same: ${s.alike.slice(0, 3).join(', ')}`}
              </small>
            </span>
            <Bar $share={s.probability} />
            <Share>{likelihood(s.probability)}</Share>
          </Pick>
        </li>
      ))}
    </List>
  );
}

function agreement(s: Suspect): string {
  const agree = s.agree.length ? `agrees in ${s.agree.join(', ')}` : '';
  const disagree = s.disagree.length ? `disagrees in ${s.disagree.join(', ')}` : '';
  return [agree, disagree].filter(Boolean).join('; ') || 'nothing to compare';
}
