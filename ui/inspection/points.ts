import styled from 'styled-components';

/** Points side by side, as many as have room. */
export const Points = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(250px, 100%), 1fr));
  grid-auto-flow: row dense;
  align-items: start;
  /* No gap between rows: what stands beside a tall test spans many of them. */
  gap: 0 22px;
  > * {
    margin-bottom: 6px;
  }
  > button {
    justify-self: start;
    max-width: 100%;
    white-space: normal;
    text-align: left;
  }
`;
