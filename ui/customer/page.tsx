import styled from 'styled-components';
import { dayWords } from '@/core/shop';
import { ButtonLink, Caution, Mark, Notice } from '@/ui/system';
import { Phone } from '@/ui/system/phone';
import { Moment } from '@/ui/system/moment';
import { Answer } from './answer';
import { Offer } from './offer';
import { Changes } from './changes';
import { Seen } from './seen';
import type { CustomerQuote } from './quote';

const Top = styled.header`
  background: var(--frame);
  color: var(--frame-ink);
  padding: 20px 20px 24px;
  overflow-wrap: anywhere;
  > div {
    max-width: 720px;
    margin: 0 auto;
    display: grid;
    gap: 6px;
  }
  h1 {
    font-size: 1.625rem;
    text-wrap: balance;
    margin-top: 10px;
  }
  p {
    color: var(--frame-soft);
  }
  .shop {
    display: flex;
    align-items: center;
    gap: 8px;
  }
`;
const Body = styled.main`
  max-width: 760px;
  margin: 0 auto;
  padding: 4px 20px 64px;
  background: var(--sheet);
  min-height: 70vh;
  /* Whatever was typed: nothing lies beyond the edge of a phone. */
  overflow-wrap: anywhere;
  section {
    padding: 22px 0;
    border-top: 1px solid var(--rule);
  }
  section:first-child {
    border-top: 0;
  }
  h2 {
    font-size: 1.25rem;
    margin-bottom: 10px;
  }
`;
const Photos = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(240px, 1fr));
  gap: 14px;
  img {
    width: 100%;
    display: block;
    border: 1px solid var(--rule-strong);
  }
  figcaption {
    margin-top: 4px;
    font-size: 0.9375rem;
    color: var(--ink-soft);
  }
`;
/**
 * What the customer sees: found, meaning, options, price, what may change, and three answers. Phone first. Drawn on the
 * server alone; `script.ts` is all that runs in the browser.
 */
export function CustomerPage({ quote }: { quote: CustomerQuote }) {
  const { content } = quote;
  const open = quote.status === 'sent' || quote.status === 'draft' || quote.status === 'declined';
  const recommended = content.options.find((o) => o.id === content.recommended?.option);
  const accepted = quote.answers.findLast((a) => a.kind === 'accept');
  return (
    <>
      <Head quote={quote} />
      <Body id="main" tabIndex={-1}>
        <Standing quote={quote} />
        {content.supplement && <Changes supplement={content.supplement} currency={content.currency} />}
        {content.job.complaint && (
          <section>
            <h2>What you told us</h2>
            <p>
              “<bdi>{content.job.complaint}</bdi>”
            </p>
          </section>
        )}
        {content.cautions && (
          <section>
            {content.cautions.map((words) => (
              <Caution key={words}>{words}</Caution>
            ))}
          </section>
        )}
        <Found quote={quote} />
        <section>
          <h2>What we propose</h2>
          {recommended && (
            <p style={{ marginBottom: 10 }}>
              We recommend <b>{recommended.name}</b>. {content.recommended!.why}
            </p>
          )}
          {content.barred.map((b) => (
            <p key={b.name} style={{ marginBottom: 10 }}>
              Why no {b.name.toLowerCase()}: {b.reason}
            </p>
          ))}
          <div role="radiogroup" aria-label="Options">
            {[...content.options]
              .sort((a, b) => Number(b === recommended) - Number(a === recommended))
              .map((o) => (
                <Offer
                  key={o.id}
                  option={o}
                  content={content}
                  chosen={accepted?.option === o.id}
                  recommended={content.recommended?.option === o.id}
                  disabled={!open}
                />
              ))}
          </div>
        </section>
        <section>
          <h2>What could still change</h2>
          {content.couldChange.length > 0 && (
            <ul style={{ marginBottom: 10 }}>
              {content.couldChange.map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ul>
          )}
          <p>
            If we find more, you get a new version of this quote that shows exactly what changed. Nothing
            beyond what you accepted is done without your yes.
          </p>
          {content.note && <p style={{ marginTop: 10 }}>{content.note}</p>}
        </section>
        <section>
          <h2>Your answer</h2>
          <Answer quote={quote} open={open} />
        </section>
        <section>
          <p>
            {content.shop.name}, {content.shop.address}. Questions: <Phone number={content.shop.phone} />
          </p>
          <ButtonLink href={`/q/${quote.token}/pdf`} $kind="quiet" style={{ marginLeft: -16 }}>
            The same as a PDF
          </ButtonLink>
        </section>
      </Body>
    </>
  );
}

function Head({ quote }: { quote: CustomerQuote }) {
  const { content } = quote;
  return (
    <Top>
      <div>
        <span className="shop">
          <Mark size={22} /> {content.shop.name}
        </span>
        <h1>
          <bdi>{content.job.vehicle}</bdi>: what we found and what we propose
        </h1>
        <p>
          For <bdi>{content.job.customer || 'our customer'}</bdi>. Quote {content.job.number}-{quote.version}{' '}
          of {dayWords(content.date)}, valid until {dayWords(content.validUntil)}
        </p>
      </div>
    </Top>
  );
}

/** What the inspection found, shown and said. */
function Found({ quote }: { quote: CustomerQuote }) {
  const { content } = quote;
  return (
    <section>
      <h2>What we found</h2>
      <p>{content.finding}</p>
      {content.photos.length > 0 && (
        <Photos style={{ marginTop: 14 }}>
          {content.photos.map((p) => (
            <figure key={p.id}>
              <img
                src={`/api/q/${quote.token}/photos/${p.id}`}
                alt={p.caption || 'Photo of what was found'}
              />
              <figcaption>{p.caption}</figcaption>
            </figure>
          ))}
        </Photos>
      )}
      {content.clips?.map((clip) => (
        <figure key={clip.id} style={{ marginTop: 14 }}>
          <video
            controls
            playsInline
            preload="metadata"
            src={`/api/q/${quote.token}/clips/${clip.id}`}
            aria-label={clip.caption || 'Clip of what was found'}
            style={{ width: '100%', display: 'block' }}
          />
          <figcaption>{clip.caption}</figcaption>
        </figure>
      ))}
      {content.evidence && <Seen evidence={content.evidence} />}
    </section>
  );
}

/** That it was accepted, or that there is a newer one. */
function Standing({ quote }: { quote: CustomerQuote }) {
  const { content } = quote;
  const accepted = quote.answers.findLast((a) => a.kind === 'accept');
  return (
    <>
      {accepted && (
        <section id="answered" tabIndex={-1}>
          <Notice $tone="good" role="status">
            <bdi>{accepted.name}</bdi> accepted “{content.options.find((o) => o.id === accepted.option)?.name}
            ” on <Moment at={accepted.at} />. This version is frozen.
          </Notice>
        </section>
      )}
      {quote.status === 'superseded' && (
        <section>
          <Notice>
            The shop has made a newer quote. Ask for the new link, or call{' '}
            <Phone number={content.shop.phone} />.
          </Notice>
        </section>
      )}
    </>
  );
}
