'use client';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import styled from 'styled-components';
import { formatMoney, times } from '@/core/shop';
import { donorParts } from '@/core/shelf';
import type { DonorPart, ShelfPiece } from '@/core/shelf';
import type { Scope } from '@/core/scope';
import { useInspection } from '@/ui/job/use-inspection';
import { useJob } from '@/ui/job/provider';
import { sayError, send } from '@/ui/net/request';
import { Button, ButtonLink, Caption, Line, Notice, MoneyInput, Section, Stack } from '@/ui/system';
import { Queries } from '@/ui/system/query';
import { useShelf } from './use-offers';

const Rows = styled.ul`
  border-top: 2px solid var(--ink);
`;
const Row = styled.li`
  display: grid;
  grid-template-columns: minmax(0, 210px) minmax(0, 1fr) auto;
  gap: 4px 18px;
  align-items: center;
  min-height: 56px;
  padding: 4px 0;
  border-bottom: 1px solid var(--rule);
  b {
    font-weight: 650;
  }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
    padding: 8px 0;
  }
`;

/** Of the price new, so much is asked for a used part that is sound, or only usable, unless a person says otherwise. */
const SHARE = { sound: 0.45, usable: 0.3 } as const;

/** What of a core that was bought is worth keeping, and what it is put on the shelf for. `scope`: of a full overhaul. */
export function DonorShelf({ scope }: { scope: Scope }) {
  return (
    <Queries>
      <Parts scope={scope} />
    </Queries>
  );
}

function Parts({ scope }: { scope: Scope }) {
  const { state, rules, number, unit } = useJob();
  const inspection = useInspection();
  const { pieces } = useShelf();
  const { water, parts } = donorParts(rules, inspection, scope, state);
  const order = new Map(unit.stations.map((s) => [s.id, s.order]));
  const good = parts
    .filter((p) => p.grade !== null)
    .sort((a, b) => (order.get(a.station) ?? 0) - (order.get(b.station) ?? 0));
  const condemned = parts.filter((p) => p.grade === null && p.seen > 0);
  const unseen = parts.length - good.length - condemned.length;
  return (
    <Section wide title="For the shelf" note={rules.shelf.reason}>
      <Stack $gap={12}>
        {water === 'unseen' && (
          <Notice>
            Look for water first: milk or rust in the pan, on the magnets, in the cooler lines. Nothing goes
            on the shelf before.{' '}
            <ButtonLink $small $kind="quiet" href={`/jobs/${number}/teardown`}>
              To the teardown
            </ButtonLink>
          </Notice>
        )}
        {water === 'seen' && (
          <Notice>
            Water was in this unit. Linings, bonded pistons and solenoid coils are not to be trusted, and no
            part is better than usable: look into every bore and race for rust.
          </Notice>
        )}
        <Rows aria-label="Parts worth keeping">
          {good.map((part) => (
            <GoodPart
              key={part.part}
              part={part}
              piece={pieces.find((p) => p.fromJob === number && p.part === part.part)}
            />
          ))}
        </Rows>
        <Caption>
          {condemned.length > 0 &&
            `Not kept: ${condemned.map((p) => `${p.name} (${p.words.toLowerCase()})`).join('; ')}. `}
          {unseen > 0 && `${unseen} more parts nobody has looked at yet.`}
        </Caption>
      </Stack>
    </Section>
  );
}

function GoodPart({ part, piece }: { part: DonorPart; piece: ShelfPiece | undefined }) {
  const { unit, terms, number, user } = useJob();
  const client = useQueryClient();
  const { price: anew = 0 } = unit.parts.find((p) => p.id === part.part)!;
  const [price, setPrice] = useState<number | null>(times(anew, SHARE[part.grade!]));
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const put = async () => {
    setBusy(true);
    setProblem(null);
    try {
      const body = { job: number, part: part.part, price };
      await send('POST', '/api/shelf', { body });
      await client.invalidateQueries({ queryKey: ['shelf'] });
    } catch (error) {
      setProblem(sayError(error));
    }
    setBusy(false);
  };
  return (
    <Row data-part={part.part}>
      <b>{part.name}</b>
      <div>
        {part.grade === 'sound' ? 'Sound' : 'Usable'}
        <Caption>
          {part.words}; {part.seen} of {part.points} points looked at; {formatMoney(anew, terms.currency)} new
        </Caption>
        {problem && <Notice $tone="bad">{problem}</Notice>}
      </div>
      {piece ? (
        <span>
          On the shelf for {formatMoney(piece.price, terms.currency)}
          {piece.heldBy !== null && `, held for job ${piece.heldBy}`}
        </span>
      ) : user.role === 'counter' ? (
        <Caption>The technician or the owner puts it on the shelf.</Caption>
      ) : (
        <Line $gap={8}>
          <MoneyInput
            label={`Price of ${part.name}`}
            hideLabel
            currency={terms.currency}
            value={price}
            onChange={setPrice}
          />
          <Button onPress={() => void put()} isDisabled={busy || price === null}>
            On the shelf
          </Button>
        </Line>
      )}
    </Row>
  );
}
