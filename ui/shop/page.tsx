'use client';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useState } from 'react';
import styled from 'styled-components';
import equal from 'fast-deep-equal';
import type { ShopTerms } from '@/core/shop';
import { RequestError, sayError, send } from '@/ui/net/request';
import { typedName } from '@/ui/sync/left';
import type { Who } from '@/ui/sync/browser';
import { SignedIn } from '@/ui/sync/signed-in';
import { Button, Caption, Line, Link, Mark, Notice, Page, PageIndex, Section, Wide } from '@/ui/system';
import { forgetTyping, holdTyping, keptTyping } from '@/ui/system/kept';
import { Moment } from '@/ui/system/moment';
import { DraftProvider } from './draft';
import { Hours } from './hours';
import { Letterhead } from './letterhead';
import { People } from './people';
import type { Person } from './people';
import { ShopPolicies } from './policies';
import { PriceBook } from './price-book';
import { Rates } from './rates';
import { Taxes } from './taxes';
import { Times } from './times';
import type { UnitTimes } from './times';
import { Warranties } from './warranties';

const Top = styled.header`
  display: flex;
  align-items: center;
  gap: 14px;
  padding: 12px 24px;
  background: var(--frame);
  color: var(--frame-ink);
  h1 {
    font-size: 1.25rem;
  }
  small {
    color: var(--frame-soft);
  }
  a {
    color: inherit;
    display: grid;
    place-items: center;
    width: 44px;
    height: 44px;
  }
`;
const Main = styled.main`
  max-width: 1100px;
  margin: 16px auto;
  padding: 0 24px 90px;
  @media (max-width: 600px) {
    padding: 0 12px 90px;
  }
`;
const Keep = styled.div`
  position: fixed;
  inset: auto 0 0;
  z-index: 5;
  background: var(--frame);
  color: var(--frame-ink);
  border-top: 4px solid #7fa2f5;
  > div {
    display: flex;
    flex-wrap: wrap;
    align-items: center;
    gap: 8px 14px;
    max-width: 1100px;
    margin: 0 auto;
    padding: 10px 24px;
  }
  p {
    flex: 1 1 260px;
  }
`;
const Trail = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 0.9375rem;
  td {
    padding: 5px 14px 5px 0;
    border-top: 1px solid var(--rule);
  }
`;

interface Props {
  who: Who;
  version: number;
  terms: ShopTerms;
  versions: { version: number; at: string; by: string }[];
  people: Person[];
  units: UnitTimes[];
  trail: { at: string; who: string; what: string; about: string }[];
}

const TITLES = [
  'Letterhead',
  'Rates',
  'Taxes and rounding',
  'Warranty',
  'The shop’s way',
  'Hours',
  'Times',
  'Price book',
  'People',
  'Audit trail',
];

/** The owner's page: who works here, what is charged and promised, what was done. */
export function ShopPage(props: Props) {
  // Another version, made here or elsewhere, begins anew.
  return <Settings key={props.version} {...props} />;
}

function Settings({ who, version, terms: kept, versions, people, units, trail }: Props) {
  const router = useRouter();
  const name = typedName(who.id, `shop ${version}`);
  const [terms, setTerms] = useState(kept);
  // What was changed and not kept is still there after a reload.
  useEffect(() => {
    const left = keptTyping(name);
    if (left !== null) setTerms(JSON.parse(left) as ShopTerms);
  }, [name]);

  const [round, setRound] = useState(0);
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  const dirty = !equal(terms, kept);
  const first = version === 0;
  const draft = useMemo(
    () => ({
      terms,
      change: (patch: Partial<ShopTerms>) =>
        setTerms((now) => {
          const next = { ...now, ...patch };
          holdTyping(name, JSON.stringify(next));
          return next;
        }),
      problems: error instanceof RequestError ? error.problems : [],
      round,
    }),
    [terms, error, round, name],
  );
  const keep = async () => {
    setBusy(true);
    setError(null);
    try {
      await send('PUT', '/api/shop', { body: { on: version, terms } });
      forgetTyping(name);
      router.refresh();
    } catch (wrong) {
      setError(wrong);
    } finally {
      setBusy(false);
    }
  };
  return (
    <SignedIn who={who}>
      <Top>
        <Link href="/" aria-label="All jobs">
          <Mark />
        </Link>
        <h1>
          {terms.name} <small>{first ? 'not set up yet' : `settings, version ${version}`}</small>
        </h1>
      </Top>
      <Main id="main" tabIndex={-1}>
        <DraftProvider value={draft}>
          <Page>
            <PageIndex titles={TITLES} />
            {first && (
              <Notice style={{ marginTop: 16 }}>
                These are sane defaults. Go through them once, top to bottom, and keep them: from then on
                every quote says what this shop charges and promises.
              </Notice>
            )}
            <Letterhead />
            <Rates />
            <Taxes />
            <Warranties />
            <ShopPolicies />
            <Hours />
            <Times units={units} />
            <PriceBook count={terms.prices.length} dirty={dirty} />
            <People people={people} self={who.id} />
            <AuditTrail trail={trail} kept={versions[0]} />
          </Page>
        </DraftProvider>
      </Main>
      {(dirty || first) && (
        <KeepBar
          says={
            error
              ? sayError(error)
              : first && !dirty
                ? 'Nothing is kept yet.'
                : 'Changed, not kept yet. Quotes made from then on go by it.'
          }
          version={version + 1}
          busy={busy}
          dirty={dirty}
          onKeep={() => void keep()}
          onDrop={() => {
            setTerms(kept);
            forgetTyping(name);
            setError(null);
            setRound(round + 1);
          }}
        />
      )}
    </SignedIn>
  );
}

/** What was changed and is not kept yet stays in sight. */
function KeepBar(props: {
  says: string;
  version: number;
  busy: boolean;
  dirty: boolean;
  onKeep: () => void;
  onDrop: () => void;
}) {
  return (
    <Keep>
      <div>
        <p role="status">{props.says}</p>
        <Line>
          <Button $kind="main" isDisabled={props.busy} onPress={props.onKeep}>
            Keep as version {props.version}
          </Button>
          <Button $kind="frame" isDisabled={!props.dirty} onPress={props.onDrop}>
            Drop the changes
          </Button>
        </Line>
      </div>
    </Keep>
  );
}

/** What was done, by whom and when, and when the settings were kept last. */
function AuditTrail({ trail, kept }: Pick<Props, 'trail'> & { kept: Props['versions'][number] | undefined }) {
  return (
    <Section title="Audit trail" note="The newest first; it cannot be changed.">
      {kept && (
        <Caption>
          Settings kept last by {kept.by}, <Moment at={kept.at} />. Quotes that were made stay as they were
          made.
        </Caption>
      )}
      <Wide>
        <Trail>
          <tbody>
            {trail.map((t, k) => (
              <tr key={k}>
                <td>
                  <Moment at={t.at} />
                </td>
                <td>{t.who}</td>
                <td>{t.what}</td>
                <td>{t.about}</td>
              </tr>
            ))}
          </tbody>
        </Trail>
      </Wide>
    </Section>
  );
}
