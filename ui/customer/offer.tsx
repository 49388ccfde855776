import styled from 'styled-components';
import { dayWords, formatMoney, shopMomentWords } from '@/core/shop';
import type { QuoteContent, QuoteOption } from '@/core/quote';
import { percent } from '@/ui/job/words';
import { HANGS_ON, includedWords, isCharged, riskWords, sumsBesideLines } from '@/ui/quote/words';

const OptionBox = styled.label`
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr) auto;
  gap: 6px 12px;
  padding: 16px 0 16px 14px;
  border-top: 1px solid var(--rule);
  border-left: 5px solid transparent;
  padding-right: 14px;
  cursor: pointer;
  &:has(input:checked) {
    border-left-color: var(--accent);
    background: var(--accent-wash);
  }
  input {
    width: 24px;
    height: 24px;
    margin: 2px 0 0;
    accent-color: var(--accent);
  }
  strong {
    font-size: 1.125rem;
    font-weight: 650;
  }
  strong small {
    display: block;
    font-weight: 400;
    color: var(--accent);
  }
  .price {
    font-size: 1.25rem;
    font-weight: 650;
    white-space: nowrap;
  }
  p {
    grid-column: 2 / -1;
  }
  dl {
    grid-column: 2 / -1;
    display: grid;
    grid-template-columns: 84px minmax(0, 1fr);
    gap: 2px 14px;
    font-size: 0.9375rem;
  }
  dt {
    color: var(--ink-soft);
  }
`;
const Details = styled.details`
  summary {
    min-height: 44px;
    display: flex;
    align-items: center;
    color: var(--accent);
    cursor: pointer;
  }
  table {
    width: 100%;
    border-collapse: collapse;
    font-size: 0.9375rem;
  }
  td {
    padding: 5px 8px 5px 0;
    border-top: 1px solid var(--rule);
    vertical-align: top;
  }
  td:last-child {
    text-align: right;
    white-space: nowrap;
    padding-right: 0;
  }
  small {
    display: block;
    color: var(--ink-soft);
  }
`;
/** One option: what is done, price, promise, and every line of it on demand. */
export function Offer(props: {
  option: QuoteOption;
  content: QuoteContent;
  /** Accepted before. */
  chosen: boolean;
  recommended: boolean;
  disabled: boolean;
}) {
  const { option: o, content } = props;
  const money = (amount: number) => formatMoney(amount, content.currency);
  return (
    <div>
      <OptionBox>
        <input
          type="radio"
          name="option"
          value={o.id}
          data-name={o.name}
          defaultChecked={props.chosen}
          disabled={props.disabled}
        />
        <strong>
          {o.name}
          {props.recommended && <small>We recommend this</small>}
        </strong>
        <span className="price">{money(o.total)}</span>
        <p>{o.summary}.</p>
        <dl>
          <dt>Warranty</dt>
          <dd>{o.warranty}</dd>
          {o.readyBy && (
            <>
              <dt>Ready</dt>
              <dd>
                {o.ready
                  ? `${shopMomentWords(o.ready.at)}, if you say yes by ${shopMomentWords(o.ready.decideBy)}. It hangs on ${HANGS_ON[o.ready.hangsOn]}.`
                  : dayWords(o.readyBy)}
              </dd>
            </>
          )}
          {o.shareOfValue !== null && (
            <>
              <dt>Of its value</dt>
              <dd>{percent(o.shareOfValue)}</dd>
            </>
          )}
          {o.id !== 'no-repair' && (
            <>
              <dt>Comes back</dt>
              <dd>{riskWords(o.risk)} within the warranty</dd>
            </>
          )}
        </dl>
      </OptionBox>
      {o.included.length > 0 && (
        <Details>
          <summary>What is renewed</summary>
          <table>
            <tbody>
              {o.included.map((i) => (
                <tr key={i.group}>
                  <td>{i.group}</td>
                  <td>{includedWords(i)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </Details>
      )}
      <EveryLine option={o} money={money} />
    </div>
  );
}

function EveryLine({ option: o, money }: { option: QuoteOption; money: (amount: number) => string }) {
  return (
    <Details>
      <summary>Every line of it</summary>
      <table>
        <tbody>
          {o.lines.filter(isCharged).map((l, k) => (
            <tr key={k}>
              <td>
                {l.name}
                {l.quantity > 1 && l.kind !== 'fluid' && ` × ${l.quantity}`}
                <small>{[l.note, l.reason].filter(Boolean).join('; ')}</small>
                {l.contents && <small>Holds: {l.contents.join(', ')}</small>}
              </td>
              <td>{money(l.total)}</td>
            </tr>
          ))}
          {sumsBesideLines(o).map(([name, amount]) => (
            <tr key={name}>
              <td>{name}</td>
              <td>{money(amount)}</td>
            </tr>
          ))}
          <tr>
            <td>
              <b>Total</b>
            </td>
            <td>
              <b>{money(o.total)}</b>
            </td>
          </tr>
        </tbody>
      </table>
    </Details>
  );
}
