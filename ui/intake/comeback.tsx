'use client';
import { useState } from 'react';
import styled from 'styled-components';
import type { BoardCard, BoardColumn } from '@/core/case';
import { SlotNumber } from '@/ui/job/fields';
import { useBench, useSlot } from '@/ui/job/provider';
import { useFoundInJob } from '@/ui/job/use-found';
import { sayError, send } from '@/ui/net/request';
import { Button, Caption, Line, Link, Notice, Stack, TextInput } from '@/ui/system';
import { Rows } from './lists';

const Search = styled.form`
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 12px;
`;
const Then = styled.section`
  padding: 10px 14px 12px;
  background: var(--inset);
  border-left: 5px solid var(--accent);
  dl {
    display: grid;
    grid-template-columns: minmax(120px, auto) minmax(0, 1fr);
    gap: 3px 16px;
    margin: 8px 0 0;
  }
  dt {
    font-weight: 600;
  }
  dd {
    margin: 0;
  }
`;

/** The earlier job it comes back from, chosen among those of this customer or found by words; then what it found. */
export function Comeback() {
  const earlier = useSlot('history.comeback');
  const { write, number } = useBench();
  if (earlier === undefined) return <ChooseJob onChoose={(job) => write('history.comeback', job)} />;
  return (
    <Stack $gap={10}>
      <Line $gap={16}>
        <div style={{ width: 180 }}>
          <SlotNumber
            slot="history.comeback"
            label="Comes back from job"
            unit=""
            min={1}
            max={100_000_000}
            whole
          />
        </div>
        <Button $kind="quiet" onPress={() => write('history.comeback', null)}>
          Another job
        </Button>
      </Line>
      {earlier === number ? (
        <Notice $tone="bad">This is the job itself.</Notice>
      ) : (
        <FoundThen job={earlier} />
      )}
    </Stack>
  );
}

/** Open and closed jobs by words, the newest change first. */
async function jobsBy(words: string): Promise<BoardCard[]> {
  const both = await Promise.all(
    ['', '&closed=1'].map((closed) =>
      send<{ columns: BoardColumn[] }>('GET', `/api/jobs?q=${encodeURIComponent(words)}${closed}`),
    ),
  );
  return both
    .flatMap(({ columns }) => columns.flatMap((c) => c.cards))
    .sort((a, b) => (a.updatedAt < b.updatedAt ? 1 : -1));
}

const MOST = 8;

function ChooseJob({ onChoose }: { onChoose: (job: number) => void }) {
  const { number } = useBench();
  const customer = useSlot('customer.name') ?? '';
  const plate = useSlot('vehicle.plate') ?? '';
  const [words, setWords] = useState('');
  const [answer, setAnswer] = useState<BoardCard[] | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const sought = words.trim() || customer || plate;
  const look = async () => {
    setProblem(null);
    try {
      setAnswer((await jobsBy(sought)).filter((c) => c.number !== number).slice(0, MOST));
    } catch (error) {
      setProblem(sayError(error));
    }
  };
  return (
    <Stack $gap={8}>
      <Search
        onSubmit={(event) => {
          event.preventDefault();
          if (sought !== '') void look();
        }}
      >
        <div style={{ width: 260 }}>
          <TextInput
            label="Comes back from job: number or words"
            maxLength={120}
            value={words}
            onChange={setWords}
          />
        </div>
        <Button type="submit" isDisabled={sought === ''}>
          {words.trim() || sought === '' ? 'Look for it' : `Jobs of ${sought}`}
        </Button>
      </Search>
      {problem && (
        <Notice $tone="bad" role="alert">
          {problem}
        </Notice>
      )}
      {answer && (
        <div role="status">
          {answer.length === 0 && <Caption>No other job has “{sought}” in it.</Caption>}
          <Rows aria-label="Jobs it may come back from">
            {answer.map((card) => (
              <li key={card.number}>
                <span>
                  {card.number} {card.summary.vehicle}, {card.unit}{' '}
                  <small>
                    {card.summary.customer}
                    {card.closed ? ', closed' : ''}
                  </small>
                </span>
                <Button
                  $small
                  aria-label={`Comes back from job ${card.number}`}
                  onPress={() => onChoose(card.number)}
                >
                  This one
                </Button>
              </li>
            ))}
          </Rows>
        </div>
      )}
    </Stack>
  );
}

/** What was wrong then, the worst first, and what it was put down to. */
function FoundThen({ job }: { job: number }) {
  const { found, problem } = useFoundInJob(job);
  const { unit } = useBench();
  if (problem) return <Notice>{problem} The number is kept.</Notice>;
  if (!found) return <Caption role="status">Looking at job {job} …</Caption>;
  return (
    <Then aria-label={`Job ${job}`}>
      <p>
        <b>{found.cause ? `Put down to: ${found.cause}.` : 'No first cause was committed.'}</b>{' '}
        <Link href={`/jobs/${job}/teardown`}>
          Job {job}: {found.vehicle}
        </Link>
      </p>
      {found.unit.id !== unit.id && <Notice>It was another unit: {found.unit.name}.</Notice>}
      {found.wrong.length === 0 ? (
        <Caption>Nothing worn or worse was found.</Caption>
      ) : (
        <dl>
          {found.wrong.map((w) => (
            <FoundRow key={w.row} name={w.name} words={w.words} />
          ))}
        </dl>
      )}
    </Then>
  );
}

function FoundRow({ name, words }: { name: string; words: string }) {
  return (
    <>
      <dt>{name}</dt>
      <dd>{words}</dd>
    </>
  );
}
