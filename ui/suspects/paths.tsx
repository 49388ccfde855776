'use client';
import styled from 'styled-components';
import type { Part } from '@/core/unit';

const Paths = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 24px;
  h3 {
    font-size: 1rem;
    margin-bottom: 6px;
  }
  li {
    padding: 4px 0;
    border-top: 1px solid var(--rule);
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;

/** Parts that feed and parts that carry, with what is known of the weak ones. */
export function PathLists({ feed, power }: { feed: Part[]; power: Part[] }) {
  return (
    <Paths>
      <PathList title="Feeds it" parts={feed} />
      <PathList title="Carries it" parts={power} />
    </Paths>
  );
}

function PathList({ title, parts }: { title: string; parts: Part[] }) {
  if (parts.length === 0) return null;
  return (
    <div>
      <h3>{title}</h3>
      <ul>
        {parts.slice(0, 6).map((part) => (
          <li key={part.id}>
            {part.name}
            {(part.weakness ?? 0) > 1.3 && <small>known weak point{part.note ? `: ${part.note}` : ''}</small>}
          </li>
        ))}
      </ul>
    </div>
  );
}
