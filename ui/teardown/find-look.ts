import { css } from 'styled-components';

/** The field things are found by looks the same before its list is loaded and after. */
export const findPlace = css`
  position: relative;
  svg {
    position: absolute;
    left: 9px;
    top: 13px;
    color: var(--ink-soft);
    pointer-events: none;
  }
`;
export const findField = css`
  width: 100%;
  min-height: 44px;
  padding: 4px 8px 4px 34px;
  border: 0;
  border-bottom: 2px solid var(--rule-strong);
  border-radius: 3px 3px 0 0;
  background: var(--inset);
  color: var(--ink);
  text-align: left;
`;
