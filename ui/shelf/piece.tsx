'use client';
import { useState } from 'react';
import styled from 'styled-components';
import { dayWords, formatMoney } from '@/core/shop';
import { RequestError, sayError, send } from '@/ui/net/request';
import type { ShelfPiece } from '@/core/shelf';
import { Button, Caption, Dialog, Line, Link, MoneyInput, Notice, Stack, TextInput } from '@/ui/system';

const Row = styled.li`
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr) auto;
  gap: 2px 14px;
  align-items: center;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
  &:last-child {
    border-bottom: 0;
  }
  b {
    font-weight: 650;
  }
  @media (max-width: 600px) {
    grid-template-columns: 76px minmax(0, 1fr);
    > :last-child {
      grid-column: 2;
    }
  }
`;
/** The tag on a part: a full edge for sound, a broken one for usable. */
const Tag = styled.span`
  display: grid;
  place-items: center;
  min-height: 28px;
  border: 2px solid var(--good);
  color: var(--good);
  font-size: 0.9375rem;
  font-weight: 650;
  font-stretch: 92%;
  &[data-grade='usable'] {
    border: 2px dashed var(--warn);
    color: var(--warn);
  }
`;
const Price = styled.span`
  font-size: 1.125rem;
  font-weight: 650;
`;

/** One part: grade, what was seen on it, where it came from, what it costs, and who has it. */
export function Piece(props: {
  piece: ShelfPiece;
  currency: string;
  mayEdit: boolean;
  onChanged: () => void;
  onPoint: (on: boolean) => void;
}) {
  const { piece, currency, mayEdit, onChanged, onPoint } = props;
  const [open, setOpen] = useState(false);
  return (
    <Row
      data-piece={piece.id}
      onPointerEnter={() => onPoint(true)}
      onPointerLeave={() => onPoint(false)}
      onFocus={() => onPoint(true)}
      onBlur={() => onPoint(false)}
    >
      <Tag data-grade={piece.grade}>{piece.grade}</Tag>
      <div>
        <b>{piece.name}</b>
        <Caption>
          {piece.seen}. From <Link href={`/jobs/${piece.fromJob}/teardown`}>job {piece.fromJob}</Link>,{' '}
          {piece.origin}; by {piece.addedBy}, {dayWords(piece.addedAt, true)}
          {piece.heldBy !== null && (
            <>
              {'. '}
              <b>
                Held for <Link href={`/jobs/${piece.heldBy}/scope`}>job {piece.heldBy}</Link>
              </b>
            </>
          )}
        </Caption>
      </div>
      <Line $gap={8}>
        <Price>{formatMoney(piece.price, currency)}</Price>
        {mayEdit && (
          <Button $small onPress={() => setOpen(true)} aria-label={`Change ${piece.name}`}>
            Change
          </Button>
        )}
      </Line>
      {open && (
        <ChangePiece piece={piece} currency={currency} onChanged={onChanged} onClose={() => setOpen(false)} />
      )}
    </Row>
  );
}

function ChangePiece(props: {
  piece: ShelfPiece;
  currency: string;
  onChanged: () => void;
  onClose: () => void;
}) {
  const { piece, currency, onChanged, onClose } = props;
  const [price, setPrice] = useState<number | null>(piece.price);
  const [why, setWhy] = useState('');
  const [problem, setProblem] = useState<string | null>(null);
  /** What somebody was warned of, and may still do. */
  const [warned, setWarned] = useState<object | null>(null);
  const change = async (body: object) => {
    setProblem(null);
    setWarned(null);
    try {
      await send('POST', `/api/shelf/${piece.id}`, { body });
      onClose();
    } catch (error) {
      setProblem(sayError(error));
      if (error instanceof RequestError && error.kind === 'quoted') setWarned({ ...body, anyway: true });
    }
    onChanged();
  };
  return (
    <Dialog title={piece.name} isOpen onClose={onClose}>
      <Stack $gap={16}>
        <Line style={{ alignItems: 'end' }}>
          <MoneyInput label="Price" currency={currency} value={price} onChange={setPrice} />
          <Button $kind="main" isDisabled={price === null} onPress={() => void change({ price })}>
            Keep the price
          </Button>
        </Line>
        {piece.heldBy !== null && (
          <Line>
            <Button onPress={() => void change({ putBack: true })}>Put back on the shelf</Button>
            <Caption>Job {piece.heldBy} must then choose anew where it is bought.</Caption>
          </Line>
        )}
        <Line style={{ alignItems: 'end' }}>
          <TextInput label="It is no longer here, because" value={why} onChange={setWhy} maxLength={300} />
          <Button isDisabled={why.trim() === ''} onPress={() => void change({ gone: why.trim() })}>
            Off the shelf
          </Button>
        </Line>
        {problem && (
          <Notice $tone="bad" role="alert">
            <Stack $gap={10}>
              <span>{problem}</span>
              {warned && (
                <span>
                  <Button $small onPress={() => void change(warned)}>
                    {'putBack' in warned ? 'Put it back anyway' : 'Take it off the shelf anyway'}
                  </Button>
                </span>
              )}
            </Stack>
          </Notice>
        )}
      </Stack>
    </Dialog>
  );
}
