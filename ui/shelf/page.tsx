'use client';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import type { DonorCore, ShelfGrade, ShelfPiece } from '@/core/shelf';
import type { UnitDefinition } from '@/core/unit';
import { LibraryFrame } from '@/ui/library/frame';
import { send } from '@/ui/net/request';
import { UnitSection } from '@/ui/section';
import type { Who } from '@/ui/sync/browser';
import { SignedIn } from '@/ui/sync/signed-in';
import { Caption, Link, Page } from '@/ui/system';
import { Queries } from '@/ui/system/query';
import { shelfMarks } from './marks';
import { Piece } from './piece';

const Bay = styled.section`
  display: grid;
  grid-template-columns: minmax(0, 400px) minmax(0, 1fr);
  gap: 10px 28px;
  padding: 18px 0 22px;
  border-top: 2px solid var(--ink);
  &:first-child {
    border-top: 0;
  }
  > header {
    display: grid;
    gap: 8px;
    align-content: start;
  }
  h2 {
    font-size: 1.25rem;
  }
  figure {
    border: 0;
    padding: 0;
    min-height: 96px;
  }
  @media (max-width: 900px) {
    grid-template-columns: minmax(0, 1fr);
  }
`;
/** A board with what lies on it: the heavy line is the board. */
const Board = styled.ul`
  align-self: start;
  border-top: 1px solid var(--rule);
  border-bottom: 7px solid var(--steel);
`;
const Core = styled.li`
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
  a {
    display: inline-grid;
    align-items: center;
    min-height: 44px;
    font-weight: 650;
  }
  span {
    display: inline-grid;
    align-items: center;
  }
`;

interface Props {
  who: Who;
  mayEdit: boolean;
  currency: string;
  units: { id: string; version: number; name: string }[];
  pieces: ShelfPiece[];
  cores: DonorCore[];
}

/** What lies on the shelf, unit by unit: each piece with its grade, where it came from and what it costs. */
export function ShelfPage(props: Props) {
  return (
    <SignedIn who={props.who}>
      <Queries>
        <Shelf {...props} />
      </Queries>
    </SignedIn>
  );
}

function Shelf({ mayEdit, currency, units, pieces: first, cores }: Props) {
  const client = useQueryClient();
  const { data } = useQuery({
    queryKey: ['shelf'],
    queryFn: () => send<{ pieces: ShelfPiece[] }>('GET', '/api/shelf', { listening: true }),
    initialData: { pieces: first },
    refetchInterval: 15_000,
  });
  const { pieces } = data;
  const free = pieces.filter((p) => p.heldBy === null).length;
  const bays = units.filter((u) => pieces.some((p) => p.unit === u.id));
  return (
    <LibraryFrame title="Shelf" aside={`${free} free, ${pieces.length - free} held for jobs`}>
      <Page style={{ paddingTop: 4 }}>
        {bays.map((unit) => (
          <UnitBay
            key={unit.id}
            unit={unit}
            pieces={pieces.filter((p) => p.unit === unit.id)}
            mayEdit={mayEdit}
            currency={currency}
            onChanged={() => void client.invalidateQueries({ queryKey: ['shelf'] })}
          />
        ))}
        {bays.length === 0 && (
          <p style={{ padding: '18px 0' }}>
            Nothing lies on the shelf. Parts come here from cores the shop bought: open a job for a bare unit,
            say where it came from, inspect it, and put what is good on the shelf under Scope.
          </p>
        )}
        <Bay style={{ gridTemplateColumns: 'minmax(0, 1fr)' }}>
          <header>
            <h2>Cores being taken apart</h2>
          </header>
          <ul>
            {cores.map((core) => (
              <CoreLine key={core.job} core={core} />
            ))}
            {cores.length === 0 && <li>None.</li>}
          </ul>
        </Bay>
      </Page>
    </LibraryFrame>
  );
}

const WATER = {
  unseen: 'nobody has looked for water yet',
  none: 'no water',
  seen: 'water was in it: nothing of it is better than usable',
} as const;

function CoreLine({ core }: { core: DonorCore }) {
  const left = core.good - core.shelved;
  return (
    <Core>
      <Link href={`/jobs/${core.job}/scope`}>Job {core.job}</Link>
      <span>
        {core.unitName}, {core.origin}
      </span>
      <span>{WATER[core.water]}</span>
      <span>
        {left > 0 ? `${left} good parts not on the shelf yet` : 'nothing good is left to put on the shelf'}
      </span>
    </Core>
  );
}

function UnitBay(props: {
  unit: Props['units'][number];
  pieces: ShelfPiece[];
  mayEdit: boolean;
  currency: string;
  onChanged: () => void;
}) {
  const { unit, pieces, currency, mayEdit, onChanged } = props;
  const [pointed, setPointed] = useState<string | null>(null);
  const { data } = useQuery({
    queryKey: ['unit', unit.id, unit.version],
    queryFn: () => send<UnitDefinition>('GET', `/api/units/${unit.id}?version=${unit.version}`),
    staleTime: Infinity,
  });
  const shown = pointed ? pieces.filter((p) => p.id === pointed) : pieces;
  return (
    <Bay aria-label={unit.name}>
      <header>
        <h2>{unit.name}</h2>
        <div>{data && <UnitSection unit={data} marks={shelfMarks(data, shown)} small />}</div>
        <Caption>
          {counted(pieces, 'sound')} sound, {counted(pieces, 'usable')} usable. Marked on the drawing: where
          the parts belong.
        </Caption>
      </header>
      <Board>
        {pieces.map((piece) => (
          <Piece
            key={piece.id}
            piece={piece}
            currency={currency}
            mayEdit={mayEdit}
            onChanged={onChanged}
            onPoint={(on) => setPointed(on ? piece.id : null)}
          />
        ))}
      </Board>
    </Bay>
  );
}

const counted = (pieces: readonly ShelfPiece[], grade: ShelfGrade) =>
  pieces.filter((p) => p.grade === grade).length;
