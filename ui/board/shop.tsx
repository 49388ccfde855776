'use client';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import styled from 'styled-components';
import { formatMoney } from '@/core/quote';
import type { ShopTerms } from '@/core/quote';
import { send } from '@/ui/net/request';
import { SignedIn } from '@/ui/sync/signed-in';
import { Button, Mark, Page, Section, Wide } from '@/ui/system';
import { Moment } from '@/ui/system/moment';

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
  padding: 0 24px;
`;
const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  td,
  th {
    text-align: left;
    font-weight: 400;
    padding: 6px 14px 6px 0;
    border-top: 1px solid var(--rule);
  }
  th {
    color: var(--ink-soft);
  }
`;

interface Props {
  userId: string;
  terms: ShopTerms;
  people: { id: string; name: string; role: string; active: boolean; sessions: number }[];
  trail: { at: string; who: string; what: string; about: string }[];
}

/** The owner's page: who works here, what is charged, what was done. */
export function ShopPage({ userId, terms, people, trail }: Props) {
  const router = useRouter();
  const money = (amount: number) => formatMoney(amount, terms.currency);
  const facts: [string, string][] = [
    ['Bench', `${money(terms.rates.bench)} an hour`],
    ['Fluid', `${money(terms.fluidPerLitre)} a litre`],
  ];
  return (
    <SignedIn userId={userId}>
      <Top>
        <Link href="/" aria-label="All jobs">
          <Mark />
        </Link>
        <h1>{terms.name}</h1>
      </Top>
      <Main id="main" tabIndex={-1}>
        <Page>
          <Section
            title="People"
            note="Ending sessions signs a person out everywhere, e.g. when a tablet is lost."
          >
            <Wide>
              <Table>
                <tbody>
                  {people.map((p) => (
                    <tr key={p.id}>
                      <td>{p.name}</td>
                      <td>{p.role}</td>
                      <td>{p.sessions} signed in</td>
                      <td>
                        <Button
                          $small
                          isDisabled={p.sessions === 0}
                          onPress={async () => {
                            await send('DELETE', `/api/people/${p.id}/sessions`);
                            router.refresh();
                          }}
                        >
                          End sessions
                        </Button>
                      </td>
                    </tr>
                  ))}
                </tbody>
              </Table>
            </Wide>
          </Section>
          <Section title="Rates and terms" note="From data/prices/shop.json.">
            <Wide>
              <Table>
                <tbody>
                  {facts.map(([name, value]) => (
                    <tr key={name}>
                      <th scope="row">{name}</th>
                      <td>{value}</td>
                    </tr>
                  ))}
                </tbody>
              </Table>
            </Wide>
          </Section>
          <Section title="Audit trail" note="The newest first; it cannot be changed.">
            <Wide>
              <Table>
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
              </Table>
            </Wide>
          </Section>
        </Page>
      </Main>
    </SignedIn>
  );
}
