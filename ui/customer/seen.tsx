import styled from 'styled-components';
import type { Evidence } from '@/core/quote';

const Found = styled.ul`
  margin-top: 12px;
  li {
    padding: 6px 0 6px 14px;
    border-left: 4px solid var(--warn);
  }
  li + li {
    margin-top: 4px;
  }
`;
const Measured = styled.table`
  width: 100%;
  margin-top: 12px;
  border-collapse: collapse;
  th,
  td {
    padding: 6px 10px 6px 0;
    border-top: 1px solid var(--rule);
    text-align: left;
    font-weight: 400;
    vertical-align: top;
  }
  thead th {
    border: 0;
    font-size: 0.875rem;
    color: var(--ink-soft);
  }
  td,
  thead th {
    white-space: nowrap;
  }
  [data-out] {
    color: var(--bad);
    font-weight: 650;
  }
`;
const Sound = styled.p`
  margin-top: 12px;
  color: var(--ink-soft);
`;

/** What the inspection found, what was measured against which limit, and what is sound. */
export function Seen({ evidence: { found, measured, sound } }: { evidence: Evidence }) {
  return (
    <>
      {found.length > 0 && (
        <Found aria-label="Found">
          {found.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </Found>
      )}
      {measured.length > 0 && (
        <Measured>
          <thead>
            <tr>
              <th scope="col">Measured</th>
              <th scope="col">Reading</th>
              <th scope="col">Limit</th>
            </tr>
          </thead>
          <tbody>
            {measured.map((m) => (
              <tr key={m.what}>
                <th scope="row">{m.what}</th>
                <td data-out={m.within ? undefined : ''}>
                  {m.value}
                  {!m.within && ' (outside)'}
                </td>
                <td>{m.limit}</td>
              </tr>
            ))}
          </tbody>
        </Measured>
      )}
      {sound.length > 0 && (
        <Sound>
          <b>Looked at and sound:</b> {sound.join(', ')}.
        </Sound>
      )}
    </>
  );
}
